import { cornerHeight } from '../figures/cornerHeight.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { JobDocument } from '../document/types.ts';
import type { Answer } from '../planning/answerShape.ts';
import { stopsAt } from './whatStops.ts';

/** An end that is to go as far as it goes: where the tape has it, and where its adjuster ends. */
interface Reach {
  id: CornerId;
  fromMm: number;
  endMm: number;
}

/** Halvings of the way to the adjuster's end: 64th parts of it are finer than any tape. */
const HALVINGS = 6;

/**
 * The document with the heights that corners come to which are to go as far as they go: from what the tape read last, by
 * what is left of the thread and by what a turn was learnt to give, or less where something that is known runs out before.
 * `answerTo` answers a document. Null where nothing is asked for like that.
 */
export function asFarAsItGoes(
  answer: Answer,
  document: JobDocument,
  answerTo: (document: JobDocument) => Answer | null,
): JobDocument | null {
  const ends = reaches(answer, document);
  if (ends.length === 0) return null;
  const ids = ends.map(({ id }) => id);
  const runsOut = (share: number) => {
    const there = answerTo(withTargets(document, ends, share));
    return there !== null && stopsAt(there, ids).some(({ leftMm }) => leftMm < 0);
  };
  // What has run out as it stands is no reason to hold it back: it is told by itself.
  if (!runsOut(1) || runsOut(0)) return withTargets(document, ends, 1);
  let [within, out] = [0, 1];
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (within + out) / 2;
    if (runsOut(middle)) out = middle;
    else within = middle;
  }
  return withTargets(document, ends, within);
}

function reaches(answer: Answer, document: JobDocument): Reach[] {
  return cornersIn(document).flatMap((id): Reach[] => {
    const { asFar, targetMm } = document.corners[id];
    const corner = answer.corners.find((one) => one.id === id);
    // A target that somebody typed since is what is wanted.
    if (!asFar || !corner || targetMm !== asFar.targetMm) return [];
    const { room, gain, nowMm, nowSpecMm } = corner;
    const leftMm = asFar.way === 'highest' ? room.up : room.down;
    if (!Number.isFinite(leftMm)) return [];
    const fromMm = (cornerHeight(answer, id).measured?.value ?? nowMm) + (nowSpecMm - nowMm);
    return [{ id, fromMm, endMm: fromMm + leftMm * gain }];
  });
}

function withTargets(document: JobDocument, ends: readonly Reach[], share: number): JobDocument {
  const corners = { ...document.corners };
  for (const { id, fromMm, endMm } of ends)
    corners[id] = { ...corners[id], targetMm: fromMm + share * (endMm - fromMm) };
  return { ...document, corners };
}
