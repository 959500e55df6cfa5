import { cornersIn } from '../kinds/classes/index.ts';
import { axleOf, sideOf, type CornerId } from '../kinds/corners.ts';
import { isUntold } from './untold.ts';
import type { JobDocument } from './types.ts';

/** The part of a machine that is turned, where it is not all of it. */
export type TurnedPart = NonNullable<JobDocument['turnOnly']>;

/** Whether a corner belongs to a part; what stands on the middle line belongs to both sides. */
export function isInPart(part: TurnedPart, id: CornerId): boolean {
  if (part === 'front' || part === 'rear') return axleOf(id) === part;
  return sideOf(id) !== (part === 'left' ? -1 : 1);
}

/** Whether a corner is turned at all: the others are only watched. */
export function isTurnedNow({ turnOnly }: Pick<JobDocument, 'turnOnly'>, id: CornerId): boolean {
  return turnOnly === null || isInPart(turnOnly, id);
}

/**
 * The document with what is asked now: of corners outside the part that is turned nothing is. The same document where all
 * of it is turned.
 */
export function askedNow(document: JobDocument): JobDocument {
  const watched = watchedIn(document);
  if (watched.length === 0) return document;
  const unasked = { targetMm: null, sagMm: null, sagWindow: null, staticWindow: null };
  return {
    ...document,
    corners: Object.fromEntries(
      Object.entries(document.corners).map(([id, corner]) => [
        id,
        watched.includes(id as CornerId) ? { ...corner, ...unasked } : corner,
      ]),
    ) as JobDocument['corners'],
  };
}

/** Corners that are watched and not turned. */
function watchedIn(document: JobDocument): CornerId[] {
  return cornersIn(document).filter((id) => !isTurnedNow(document, id));
}

/** Corners outside the part that is turned of which something is asked all the same: for later. */
export function askedLater(document: JobDocument): CornerId[] {
  return watchedIn(document).filter((id) => document.corners[id].adjustable && !isUntold(document, id));
}
