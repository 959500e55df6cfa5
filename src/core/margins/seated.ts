import { part } from '../calculation/part.ts';
import { trustOf, type Trust } from './springTrust.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin } from './margin.ts';

/** Compression that is left at full droop: below zero the spring rattles loose. */
export const seated: LoadMargin = {
  byLoad: true,
  tight: 0.1,
  left: (place, standing) => {
    const trust = trustOf(place, standing);
    return trust ? [leftAtDroop(standing, trust)] : [];
  },
};

function leftAtDroop({ preloadMm, corner }: Standing, { assumed, preloadSd }: Trust): Left {
  const rangeMm = Math.max(corner.springAt(corner.zMax), 1);
  const { seatBy } = corner;
  const source = assumed ? 'assumed' : 'sheet';
  const inputs = () => [
    part('p₀', preloadMm - seatBy, 'length', source),
    part('c', seatBy, 'length', 'computed'),
  ];
  return { leftMm: preloadMm, rangeMm, sdMm: preloadSd, assumed, inputs };
}
