import type { Doubt, JobMisfit } from '../estimate/estimate.ts';
import type { RoundsState } from '../estimate/rounds.ts';

/**
 * What is looked into before anything is planned: why one corner alone is off, or a reading of this round that is likeliest
 * wrong and was read once. Whoever turns on it turns for nothing. Null where nothing holds the plan back.
 */
export function heldBackBy({ suspicions }: Doubt, state: RoundsState): JobMisfit | null {
  const misfit = suspicions[0]?.misfit;
  if (!misfit) return null;
  const isHeld =
    misfit.code === 'one-corner' ||
    (misfit.code === 'odd-reading' &&
      misfit.round === state.current &&
      state.rounds[misfit.round]?.heights[misfit.corner]?.length === 1);
  return isHeld ? misfit : null;
}
