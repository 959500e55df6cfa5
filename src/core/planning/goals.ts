import type { SagLimits } from '../document/types.ts';
import type { Outcome } from '../estimate/simulate.ts';
import { entry } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';

/** Something wanted beside heights, met when the heights are to be met. */
export type ExtraGoal =
  /** mm of wheel travel used where the targets are met, and the window it may lie in. */
  | { kind: 'sag'; contact: number; target: number; window: SagLimits | null }
  /** What stands on some pads over what stands on more of them, 0 to 1; it counts `weight` times, 1 as a rule. */
  | { kind: 'share'; contacts: readonly number[]; of: readonly number[]; target: number; weight: number };

/** What a plan is to meet. */
export interface Wanted {
  /** By reference: target in mm, or null where there is none. */
  targets: readonly (number | null)[];
  weights: readonly number[];
  extras?: readonly ExtraGoal[] | undefined;
  toleranceMm: number;
}

/** Everything wanted in one list, in mm: heights first, then sag, then shares of weight by what they count for in mm. */
export interface Goals {
  targets: (number | null)[];
  weights: number[];
  wantsWeight: boolean;
  valuesOf: (outcome: Outcome) => number[];
  /** Weighted squares of what is missed, mm^2. */
  missOf: (outcome: Outcome) => number;
}

/** Gathers what is wanted. */
export function goalsOf(problem: Wanted): Goals {
  const { extras = [] } = problem;
  const scale = extras.map((goal) => (goal.kind === 'share' ? mmPerShare(problem) : 1));
  const targets = [...problem.targets, ...extras.map(({ target }, k) => target * (scale[k] ?? 1))];
  const weights = [
    ...problem.targets.map((_, r) => problem.weights[r] ?? 1),
    ...extras.map((goal) => (goal.kind === 'share' ? goal.weight : 1)),
  ];
  const valuesOf = (outcome: Outcome) => [
    ...outcome.heights,
    ...extras.map((goal, k) => (scale[k] ?? 1) * extraValue(goal, outcome)),
  ];
  return {
    targets,
    weights,
    wantsWeight: extras.some(({ kind }) => kind === 'share'),
    valuesOf,
    missOf: (outcome) => {
      const values = valuesOf(outcome);
      return targets.reduce<number>(
        (sum, target, r) =>
          target === null ? sum : sum + (weights[r] ?? 1) * (target - entry(values, r)) ** 2,
        0,
      );
    },
  };
}

/** mm of height that the whole of a share counts for: the share it is wanted within is worth one tolerance. */
export function mmPerShare({ toleranceMm }: Pick<Wanted, 'toleranceMm'>): number {
  return toleranceMm / tolerances.crossShare;
}

/** Where an outcome stands on something wanted beside heights. */
export function extraValue(goal: ExtraGoal, { travel, solver }: Outcome): number {
  if (goal.kind === 'sag') return entry(travel, goal.contact);
  const on = (pads: readonly number[]) => pads.reduce((sum, i) => sum + (solver.pads[i] as number), 0);
  return on(goal.contacts) / on(goal.of);
}
