import type { CornerId } from '../kinds/corners.ts';
import { twinOf } from '../kinds/corners.ts';
import type { Round } from '../estimate/rounds.ts';
import { meanOf } from '../numerics/mean.ts';
import { tolerances } from '../tolerances.ts';

/** mm off what a round should read that asks whether it is settled and the same point. */
const TREND_QUESTION_MM = 20;
/** mm, absolute. A reading further than this from its twin across the axle is questioned. */
const TWIN_QUESTION_MM = 25;
/** mm, absolute. A target further than this from what was read is questioned: half a number, or the wrong point. */
const TARGET_QUESTION_MM = 90;

/** A question: how far off something is, and from what. */
export interface Question {
  kind: 'twin' | 'repeat' | 'target' | 'trend';
  differenceMm: number;
}

/** A prediction that is not known well asks about nothing that it allows. */
const UNLIKELY_SD = 2.5;

/**
 * Whether a height reading is unlikely enough to ask about; it is kept whatever the answer. `expected` is what this round
 * should read after what was done, with one standard deviation; null in the first.
 */
export function questionHeight(
  readingMm: number,
  corner: CornerId,
  round: Round | undefined,
  others: readonly number[],
  expected: { mm: number; sdMm: number } | null = null,
): Question | null {
  const repeat = nearestDifference(readingMm, others);
  if (Math.abs(repeat) > tolerances.repeatQuestionMm) return { kind: 'repeat', differenceMm: repeat };
  const trend = expected === null ? 0 : readingMm - expected.mm;
  const unlikelyMm = Math.max(TREND_QUESTION_MM, UNLIKELY_SD * (expected?.sdMm ?? 0));
  if (Math.abs(trend) > unlikelyMm) return { kind: 'trend', differenceMm: trend };
  const across = twinOf(corner);
  const twin = across ? round?.heights[across] : undefined;
  const difference = twin ? readingMm - meanOf(twin) : 0;
  return Math.abs(difference) > TWIN_QUESTION_MM ? { kind: 'twin', differenceMm: difference } : null;
}

/** Against the nearest other reading, so that one stray does not put the others in doubt. */
function nearestDifference(readingMm: number, others: readonly number[]): number {
  const differences = others.map((other) => readingMm - other);
  return differences.reduce(
    (nearest, one) => (Math.abs(one) < Math.abs(nearest) ? one : nearest),
    differences[0] ?? 0,
  );
}

/** Whether a target is so far from what the tape says that it may be a slip. */
export function questionTarget(targetMm: number, nowMm: number | null): Question | null {
  const differenceMm = nowMm === null ? 0 : targetMm - nowMm;
  return Math.abs(differenceMm) > TARGET_QUESTION_MM ? { kind: 'target', differenceMm } : null;
}
