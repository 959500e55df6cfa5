import { fourWheels } from './fourWheels.ts';
import type { Picture } from './picture.ts';

export const quad: Picture = {
  above: fourWheels(
    { halfFront: 0.16, halfMid: 0.22, halfRear: 0.2, nose: 0.14, tail: 0.2, cabin: [0.46, 0.82] },
    (base, track) => [
      `M${-track * 0.38} ${-base * 0.2}Q0 ${-base * 0.32} ${track * 0.38} ${-base * 0.2}`,
      `M${-track / 2} ${base / 2}H${track / 2}`,
      ...[-1, 1].map((side) => rearWheel((side * track) / 2, base)),
    ],
  ),
  side: {
    nose: 0.2,
    tail: 0.24,
    sill: -0.1,
    bonnet: 0.12,
    roof: 0.26,
    screen: [0.26, 0.4, 0.56, 0.74],
    deck: 0.16,
  },
};

/** The wheels of the rear axle, which share one damper. */
function rearWheel(x: number, base: number): string {
  const [half, long] = [base * 0.06, base * 0.2];
  return `M${x - half} ${base / 2 - long / 2}h${2 * half}v${long}h${-2 * half}Z`;
}
