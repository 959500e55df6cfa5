import type { Answer } from './answerShape.ts';
import type { ToldPlan } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import { at, entry } from '../numerics/matrix.ts';

/**
 * The plan that brings collars to readings a kit sheet gives as a start, with the heights to expect there. Corners of
 * which the sheet says nothing, or whose collar was never read, are left out. Null where that is all of them.
 */
export function kitStart(
  answer: Answer,
  readingsMm: Partial<Record<CornerId, number | undefined>>,
): ToldPlan | null {
  const moves = answer.corners.flatMap(({ id, collarMm, spec }, r) => {
    const reading = readingsMm[id];
    return reading === undefined || collarMm === null
      ? []
      : [{ id, r, seatMm: spec.readingSign * (reading - collarMm), reading, pitchMm: spec.pitchMm.value }];
  });
  if (moves.length === 0) return null;
  const { machine, now } = answer;
  const seatsBy = machine.corners.map(
    (id, i) => (now.seatsBy[i] ?? 0) + (moves.find((one) => one.id === id)?.seatMm ?? 0),
  );
  const { mean, covariance } = answer.predictAt({ ...now, seatsBy });
  return {
    chance: 0,
    corners: Object.fromEntries(
      moves.map(({ id, r, seatMm, reading, pitchMm }) => [
        id,
        {
          seatMm,
          turns: seatMm / pitchMm,
          stopAtMm: reading,
          heightMm: entry(mean, r),
          heightSdMm: Math.sqrt(at(covariance, r, r)),
        },
      ]),
    ),
  };
}
