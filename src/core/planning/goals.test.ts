import type { Outcome } from '../estimate/simulate.ts';
import { tolerances } from '../tolerances.ts';
import { goalsOf } from './goals.ts';

/** A machine that stands so: heights, travel used, pads in N. */
const standing = (heights: number[], travel: number[], pads: number[]) =>
  ({ heights, travel, solver: { pads } }) as unknown as Outcome;

test('what is missed is squared, each wish by what it counts for', () => {
  const goals = goalsOf({ targets: [350, null], weights: [4, 1], toleranceMm: 5 });
  expect(goals.missOf(standing([353, 999], [], []))).toBe(4 * 3 ** 2);
});

test('a sag counts in mm, a share of weight in the mm that its tolerance is worth', () => {
  const goals = goalsOf({
    targets: [350],
    weights: [1],
    toleranceMm: 5,
    extras: [
      { kind: 'sag', contact: 1, target: 40, window: null },
      { kind: 'share', contacts: [0], of: [0, 1], target: 0.5, weight: 9 },
    ],
  });
  const perShare = 5 / tolerances.crossShare;
  const outcome = standing([350], [0, 42], [600, 400]);
  expect(goals.valuesOf(outcome)).toEqual([350, 42, perShare * 0.6]);
  expect(goals.missOf(outcome)).toBeCloseTo(2 ** 2 + 9 * (0.1 * perShare) ** 2, 6);
  expect(goals.wantsWeight).toBe(true);
});
