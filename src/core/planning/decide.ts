import type { Situation } from '../estimate/belief.ts';
import type { Fit } from '../estimate/fit.ts';
import { predictJointly } from '../estimate/predict.ts';
import { tolerances } from '../tolerances.ts';
import { aimFor, type Adjuster, type AimSolution } from './aim.ts';
import { chanceWithin } from './chance.ts';

/** machines drawn to plan on where time allows. */
const PLAN_PAIRS = 8;
/** share. Work is called done when all true heights are in, and stay in, with at least this probability. */
const LOCK_CHANCE = 0.97;
/** share. What another turn of the spanner must add to the chance before it is advised ahead of a drive. */
const WORTH_A_TURN = 0.01;
/** rounds. After this many more work is not advised. */
const MOST_ROUNDS = 8;
/** km. Driven to let new springs settle. */
const DRIVE_KM = 400;

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
  | { do: 'round'; movesBy: number[]; driveKm: number; chance: number; why: Why };

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
  if (good >= LOCK_CHANCE)
    return {
      do: 'stop',
      chanceNow,
      chanceSettled: chanceBoth,
      why: 'all-in',
    };
  if (roundsDone >= MOST_ROUNDS)
    return {
      do: 'stop',
      chanceNow,
      chanceSettled: chanceBoth,
      why: 'no-better',
    };
  const adjust = aimAt(problem, now.km);
  if (mayDrive && chanceNow >= LOCK_CHANCE) {
    const driven = aimAt(problem, now.km + DRIVE_KM);
    // What can still be won by turning is won first: the drive blurs what the next reading says of it.
    const turnFirst = adjust.chance - chanceNow > WORTH_A_TURN && driven.chance < LOCK_CHANCE + WORTH_A_TURN;
    if (!turnFirst) return round(driven, DRIVE_KM, 'drive-in');
  }
  return round(adjust, 0, 'land');
}

function round({ movesBy, chance }: Aimed, driveKm: number, why: Why): Decision {
  return { do: 'round', movesBy, driveKm, chance, why };
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
    pairs: PLAN_PAIRS,
  });
  return { ...plan, chance: chanceWithin(plan.prediction, targets, toleranceMm) };
}
