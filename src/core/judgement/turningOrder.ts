import type { Answer } from '../planning/answerShape.ts';
import { hardEndOf } from '../document/fitting.ts';
import { isMoved, type CornerAnswer } from '../planning/cornerAnswer.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { JobDocument } from '../document/types.ts';

/** The order to turn corners in: the end that is hard to get at first, then as they are measured. */
export function turningOrder(document: JobDocument): CornerId[] {
  const late = (id: CornerId) => Number(hardEndOf(document) !== null && axleOf(id) !== hardEndOf(document));
  return [...cornersIn(document)].sort((a, b) => late(a) - late(b));
}

/** The corner to start with: at the hard end, else the largest move first, since it carries the others most. */
export function firstToTurn(answer: Answer): CornerId | null {
  const size = ({ seatBy, mountMm, gain }: CornerAnswer) => Math.abs(seatBy + mountMm) * gain;
  const hardEnd = hardEndOf(answer.document);
  const all = answer.corners.filter(isMoved);
  const hard = all.filter(({ id }) => axleOf(id) === hardEnd);
  const moving = hard.length > 0 ? hard : all;
  return [...moving].sort((a, b) => size(b) - size(a))[0]?.id ?? null;
}
