import { cornerHeight } from '../figures/cornerHeight.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { JobDocument } from '../document/types.ts';
import type { Answer } from '../planning/answerShape.ts';

/**
 * The document with the heights that corners come to which are to go as far as their adjusters go: from what the tape read
 * last, by what is left of the thread and by what a turn was learnt to give. Null where nothing is asked for like that.
 */
export function asFarAsItGoes(answer: Answer, document: JobDocument): JobDocument | null {
  const ends = cornersIn(document).flatMap((id) => {
    const { asFar, targetMm } = document.corners[id];
    const corner = answer.corners.find((one) => one.id === id);
    // A target that somebody typed since is what is wanted.
    if (!asFar || !corner || targetMm !== asFar.targetMm) return [];
    const { room, gain, nowMm, nowSpecMm } = corner;
    const leftMm = asFar.way === 'highest' ? room.up : room.down;
    if (!Number.isFinite(leftMm)) return [];
    const readMm = cornerHeight(answer, id).measured?.value ?? nowMm;
    return [{ id, mm: readMm + (nowSpecMm - nowMm) + leftMm * gain }];
  });
  if (ends.length === 0) return null;
  const corners = { ...document.corners };
  for (const { id, mm } of ends) corners[id] = { ...corners[id], targetMm: mm };
  return { ...document, corners };
}
