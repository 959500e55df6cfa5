import { sagWish, type SagWish } from '../document/sagWish.ts';
import type { JobDocument } from '../document/types.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import { isSagRead } from '../estimate/sagEvidence.ts';
import type { CornerId } from '../kinds/corners.ts';
import { byCorner, type Answer } from './answerShape.ts';
import { isMoved } from './cornerAnswer.ts';
import { unreadOf } from './enough.ts';

/** mm, one standard deviation. A sag that nobody read and that is known no better than this is a guess. */
export const SAG_GUESS_SD_MM = 12;

/**
 * Whether the sag that an end is set by was never read, nor its height, and is no more than a guess: nothing is turned by it.
 * `sdMm` is how well it is known.
 */
export function isSagUnseen(
  { document, state }: { document: JobDocument; state: RoundsState },
  id: CornerId,
  sdMm: number,
): boolean {
  const wish = sagWish(document, id);
  return (
    wish !== null &&
    document.corners[id].targetMm === null &&
    sdMm > SAG_GUESS_SD_MM &&
    !isSagRead(state, id, wish.who) &&
    state.rounds.every(({ heights }) => heights[id] === undefined)
  );
}

/**
 * With whom on an end's sag has to be read before anything can be said of it: where it was never read, or where it was turned
 * since and nothing more would be by what is only predicted. Null where nothing stands in the way.
 */
export function sagToReadFirst(answer: Answer, id: CornerId): SagWish['who'] | null {
  const corner = byCorner(answer)[id];
  if (!corner || answer.document.corners[id].targetMm !== null) return null;
  const turned = answer.state.current > 0 && !isMoved(corner) && unreadOf(answer).includes(id);
  const first = turned || isSagUnseen(answer, id, corner.nowSagSdMm);
  return first ? (sagWish(answer.document, id)?.who ?? null) : null;
}
