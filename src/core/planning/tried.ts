import type { CornerId } from '../kinds/corners.ts';
import type { Situation } from '../estimate/belief.ts';

/** Places of one corner's adjusters that somebody tries by hand, counted like those of a situation; left out is as planned. */
export interface TriedCorner {
  seatBy?: number;
  /** mm towards the springs, by ring. */
  ringsMm?: readonly number[];
}

export type Tried = Partial<Record<CornerId, TriedCorner>>;

/** A situation with what is tried in place of what is planned. */
export function withTried(planned: Situation, corners: readonly CornerId[], tried: Tried): Situation {
  return {
    ...planned,
    seatsBy: corners.map((id, i) => tried[id]?.seatBy ?? planned.seatsBy[i] ?? 0),
    ringsMm: corners.map((id, i) => tried[id]?.ringsMm ?? planned.ringsMm?.[i] ?? []),
  };
}
