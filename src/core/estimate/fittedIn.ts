import { axleOf, type Axle, type CornerId } from '../kinds/corners.ts';
import { newParts, type NewPartKind } from '../kinds/newParts.ts';

/** A part that went in. */
export interface Fitted {
  part: NewPartKind;
  axle: Axle;
  words: string;
  /** The sheet it came with, by its id; null for none. */
  kit: string | null;
  /** mm of seat that it was put further towards the spring than on that sheet. */
  moreMm: number | null;
}

/** Whether a corner's collar and rings stand in a round as they were put together, whatever was turned before. */
export function isAssembledIn({ fitted }: { fitted: readonly Fitted[] }, id: CornerId): boolean {
  return fitted.some(({ part, axle }) => axle === axleOf(id) && newParts[part].assembles);
}
