import type { Situation } from '../estimate/belief.ts';
import type { Fit } from '../estimate/fit.ts';
import { predictJointly } from '../estimate/predict.ts';
import { tolerances } from '../tolerances.ts';
import { aimFor, type Adjuster, type AimSolution } from './aim.ts';
import { chanceWithin } from './chance.ts';

export interface DecideProblem {
  fit: Fit;
  now: Situation;
  targets: readonly (number | null)[];
  toleranceMm: number;
  adjusters: readonly Adjuster[];
  groups: readonly (readonly number[])[];
  /** Rounds of work done so far. */
  roundsDone: number;
  /** Whether it can be driven before measuring. */
  mayDrive: boolean;
}

export type Decision =
  | { do: 'stop'; chanceNow: number; chanceSettled: number; why: Why }
  | { do: 'round'; movesMm: number[]; driveKm: number; chance: number; why: Why };

/** What a step is for. */
type Why = 'all-in' | 'no-better' | 'drive-in' | 'land';

/**
 * The next step: stop when every true height is probably in, now and once new springs have settled; adjust while that
 * makes landing likelier; drive the springs in once the heights are in, with the adjustment that will then be right.
 */
export function decide(problem: DecideProblem): Decision {
  const { fit, now, targets, toleranceMm, roundsDone, mayDrive } = problem;
  const settled = { ...now, km: now.km + tolerances.settledKm };
  const both = predictJointly(fit, [now, settled]);
  const chanceBoth = chanceWithin(both, [...targets, ...targets], toleranceMm);
  const n = targets.length;
  const chanceNow = chanceWithin(
    { mean: both.mean.slice(0, n), covariance: both.covariance.slice(0, n).map((row) => row.slice(0, n)) },
    targets,
    toleranceMm,
  );
  const good = mayDrive ? chanceBoth : chanceNow;
  if (good >= tolerances.lockChance)
    return {
      do: 'stop',
      chanceNow,
      chanceSettled: chanceBoth,
      why: 'all-in',
    };
  if (roundsDone >= tolerances.mostRounds)
    return {
      do: 'stop',
      chanceNow,
      chanceSettled: chanceBoth,
      why: 'no-better',
    };
  const adjust = aimAt(problem, now.km);
  if (mayDrive && chanceNow >= tolerances.lockChance) {
    const driven = aimAt(problem, now.km + tolerances.driveKm);
    // What can still be won by turning is won first: the drive blurs what the next reading says of it.
    const turnFirst =
      adjust.chance - chanceNow > tolerances.worthATurn &&
      driven.chance < tolerances.lockChance + tolerances.worthATurn;
    if (!turnFirst) return round(driven, tolerances.driveKm, 'drive-in');
  }
  return round(adjust, 0, 'land');
}

function round({ movesMm, chance }: Aimed, driveKm: number, why: Why): Decision {
  return { do: 'round', movesMm, driveKm, chance, why };
}

/** A plan, and its chance of landing. */
type Aimed = AimSolution & { chance: number };

function aimAt(problem: DecideProblem, km: number): Aimed {
  const { fit, now, targets, toleranceMm, adjusters, groups } = problem;
  const meetAt = { km, aboard: now.aboard };
  const plan = aimFor({
    fit,
    from: now,
    meetAt,
    targets,
    weights: targets.map(() => 1),
    toleranceMm,
    adjusters,
    groups,
    draws: tolerances.planDraws,
  });
  return { ...plan, chance: chanceWithin(plan.prediction, targets, toleranceMm) };
}
