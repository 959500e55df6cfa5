import { fourWheels } from './fourWheels.ts';
import type { Picture } from './picture.ts';

export const truck: Picture = {
  above: fourWheels(
    { halfFront: 0.44, halfMid: 0.48, halfRear: 0.47, nose: 0.24, tail: 0.34, cabin: [0.12, 0.46] },
    (base, track) => [`M${-track * 0.36} ${base * 0.02}h${track * 0.72}v${base * 0.72}h${-track * 0.72}Z`],
  ),
  side: {
    nose: 0.24,
    tail: 0.34,
    sill: -0.12,
    bonnet: 0.1,
    roof: 0.27,
    screen: [0.16, 0.32, 0.6, 0.66],
    deck: 0.09,
  },
};
