import type { Doubt, Otherwise } from '../estimate/estimate.ts';
import type { Fault } from '../faults.ts';
import type { JobMachine } from '../estimate/believed.ts';
import type { Sourced } from '../estimate/corner.ts';
import type { PerCorner, RoundsState } from '../estimate/rounds.ts';
import type { JobDocument } from '../document/types.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Fit } from '../estimate/fit.ts';
import type { LearntGain } from '../estimate/gains.ts';
import type { Prediction } from '../estimate/predict.ts';
import type { CornerAnswer, CornerMove, CrossAnswer } from './cornerAnswer.ts';
import type { Stray } from '../estimate/evidence.ts';
import type { Reason } from './reasons.ts';

/** What the readings say, beside the heights. */
interface Learnt {
  gains: PerCorner<LearntGain>;
  /** Heights without friction in every round, by corner in the order of `corners`. */
  heightsByRound: number[][];
  /** Wheel travel used without friction in every round, by contact, mm. */
  travelByRound: number[][];
  /** Readings that do not agree with the rest. */
  strays: Stray[];
}

export interface Answer {
  state: RoundsState;
  tolerance: Sourced;
  corners: CornerAnswer[];
  posterior: Learnt;
  /** Corners that nobody has read and that the plan moves all the same, as the one across the axle. */
  unread: CornerMove[];
  /** Whether every corner is read; before that an unread corner is taken to move as its twin does. */
  wholeBody: boolean;
  /** Faults in what is fitted: while there are any, the figures are those of the plain sheet. */
  faults: Fault[];
  chanceNow: number | null;
  chanceAfter: number | null;
  /** Null where the machine does not stand on four wheels. */
  cross: CrossAnswer | null;
  reasons: Reason[];
  /** The job as it was worked out: without what is fitted where that has faults, and with what is asked now. */
  document: JobDocument;
  /** The job as its people wrote it. */
  written: JobDocument;
  machine: JobMachine;
  fit: Fit;
  /** What does not agree, and what may be wrong. */
  doubt: Doubt;
  /** What else may be so than what is planned from. */
  otherwise: readonly Otherwise[];
  /** Adjusters now and after the plan, as measured. */
  now: Situation;
  after: Situation;
  /** After the plan, as the specification means it: its load case, new springs settled. */
  specifiedAfter: Situation;
  /** What this round should read after what was done in it, from all that was read before; none at the baseline. */
  expectedNow: () => PerCorner<{ mm: number; sdMm: number }>;
  /** How the machine is expected to stand in a situation; each is worked out once. */
  predictAt: (situation: Situation) => Prediction;
}

/** Every corner that a plan speaks of: those read, and those that move with the one across. */
export function plannedMoves(answer: Answer): CornerMove[] {
  return [...answer.corners, ...answer.unread];
}

/** The answers by corner. */
export function byCorner(answer: Answer | null): PerCorner<CornerAnswer> {
  return Object.fromEntries((answer?.corners ?? []).map((corner) => [corner.id, corner]));
}
