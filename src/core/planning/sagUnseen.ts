import { sagWish, type SagWish } from '../document/sagWish.ts';
import type { JobDocument } from '../document/types.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import { isSagRead } from '../estimate/sagEvidence.ts';
import type { CornerId } from '../kinds/corners.ts';
import { byCorner, type Answer } from './answerShape.ts';

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

/** With whom on an end's sag has to be read before anything is turned there; null where nothing stands in the way. */
export function sagToReadFirst(answer: Answer, id: CornerId): SagWish['who'] | null {
  const corner = byCorner(answer)[id];
  const unseen = corner !== undefined && isSagUnseen(answer, id, corner.nowSagSdMm);
  return unseen ? (sagWish(answer.document, id)?.who ?? null) : null;
}
