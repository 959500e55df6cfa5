import type { Answer } from '../planning/answerShape.ts';
import type { CornerId } from '../kinds/corners.ts';

/** mm that the body has risen over a corner since the baseline, as the readings have it. */
export function risenSince({ machine, fit, state }: Answer, id: CornerId): number {
  const i = machine.corners.indexOf(id);
  const travel = (round: number) => fit.rounds.at(round)?.travel[i] ?? 0;
  return travel(0) - travel(state.current);
}
