import type { CornerId } from '../kinds/corners.ts';
import { collarNow, type RoundsState } from './rounds.ts';

/** mm, one standard deviation of a change read on a collar: its own reading twice, and a slip of the caliper. */
const CHANGE_SD_MM = 1.5;
/** No single reading settles it by more than this, as a logarithm of odds. */
const MOST = 25;

/**
 * Logarithm of the odds for "turned the other way than recorded" against "turned as recorded" that a collar's own readings
 * give in a round: with a change o read and e recorded, each normal about what it says, -2 o e / sd^2. 0 where the collar was
 * not read before and after.
 */
export function collarEvidence(
  { rounds }: RoundsState,
  corner: CornerId,
  { round, readingSign }: { round: number; readingSign: 1 | -1 },
): number {
  const after = rounds[round]?.collars[corner];
  const before = collarNow(rounds.slice(0, round), corner, readingSign);
  const moved = rounds[round]?.moves[corner] ?? 0;
  if (after === undefined || before === null || moved === 0) return 0;
  const odds = (-2 * (after - before) * readingSign * moved) / CHANGE_SD_MM ** 2;
  return Math.max(-MOST, Math.min(MOST, odds));
}
