import type { Job } from '../../jobStore/useJob.ts';

/** The round that readings of the bench belong to: the one being turned, or the one that stands. */
export function sagRound({ state }: Job): number {
  return state.turning?.begun ? state.current + 1 : state.current;
}
