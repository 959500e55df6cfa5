import { fourWheels } from './fourWheels.ts';
import type { Picture } from './picture.ts';

export const sideBySide: Picture = {
  above: fourWheels(
    { halfFront: 0.2, halfMid: 0.36, halfRear: 0.28, nose: 0.16, tail: 0.14, cabin: [0.22, 0.68] },
    (base, track) => [
      `M${-track * 0.3} ${-base * 0.1}H${track * 0.3}`,
      `M${-track * 0.3} ${base * 0.22}H${track * 0.3}`,
    ],
  ),
  side: {
    nose: 0.19,
    tail: 0.17,
    sill: -0.1,
    bonnet: 0.1,
    roof: 0.38,
    screen: [0.22, 0.36, 0.8, 0.98],
    deck: 0.08,
  },
};
