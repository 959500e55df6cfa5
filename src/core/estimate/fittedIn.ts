import { axleOf, type Axle, type CornerId } from '../kinds/corners.ts';
import { newParts, type NewPartKind } from '../kinds/newParts.ts';

/** A part that went in. */
export interface Fitted {
  part: NewPartKind;
  axle: Axle;
  /** The only corner that it went in at; null where it is at all of its end. */
  corner: CornerId | null;
  words: string;
  /** The sheet it came with, by its id; null for none. */
  kit: string | null;
  /** mm of seat that it was put further towards the spring than on that sheet. */
  moreMm: number | null;
}

/** Whether a part went in at a corner. */
export function isFittedAt({ axle, corner }: Pick<Fitted, 'axle' | 'corner'>, id: CornerId): boolean {
  return corner === null ? axle === axleOf(id) : corner === id;
}

/** Whether a corner's collar and rings stand in a round as they were put together, whatever was turned before. */
export function isAssembledIn({ fitted }: { fitted: readonly Fitted[] }, id: CornerId): boolean {
  return fitted.some((one) => isFittedAt(one, id) && newParts[one.part].assembles);
}
