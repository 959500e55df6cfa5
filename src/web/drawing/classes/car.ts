import { fourWheels } from './fourWheels.ts';
import type { Picture } from './picture.ts';

export const car: Picture = {
  above: fourWheels({
    halfFront: 0.4,
    halfMid: 0.47,
    halfRear: 0.43,
    nose: 0.3,
    tail: 0.32,
    cabin: [0.16, 0.66],
  }),
  side: {
    nose: 0.3,
    tail: 0.3,
    sill: -0.17,
    bonnet: 0.06,
    roof: 0.25,
    screen: [0.2, 0.42, 0.78, 1.1],
    deck: 0.1,
  },
};
