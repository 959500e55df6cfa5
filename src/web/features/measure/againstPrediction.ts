import { cornerSpec } from '#core/estimate/corner.ts';
import { cornerHeight } from '#core/figures/cornerHeight.ts';
import type { JobDocument, ToldCorner } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { shownLength, type LengthStyle } from '#core/units/formatLength.ts';

interface Expectation {
  value: number;
  sd: number;
}

/** What a round should read, mm; and, once it was read, how far off it is as a reader would subtract the two, mm. */
export type Against =
  | { kind: 'awaited'; predicted: Expectation }
  | { kind: 'compared'; predicted: Expectation; offMm: number; same: boolean; far: boolean };

/** Readings this near to the prediction, mm, show as the same. */
const SAME_MM = { mm: 0.5, in: 0.8 };

/**
 * A corner's reading of a round against what was predicted; null where nothing was. While turning is still open, what was
 * issued is all there is to expect.
 */
export function againstPrediction(
  answer: Answer,
  id: CornerId,
  round: number,
  told: ToldCorner | null,
  style: LengthStyle,
): Against | null {
  if (round === 0) return null;
  if (answer.state.turning !== null)
    return told?.heightMm === undefined
      ? null
      : { kind: 'awaited', predicted: { value: told.heightMm, sd: told.heightSdMm ?? 0 } };
  const { predicted, measured } = cornerHeight(answer, id, round);
  if (!predicted) return null;
  if (!measured) return { kind: 'awaited', predicted };
  const offMm = measured.value - shownLength(predicted.value, style);
  return {
    kind: 'compared',
    predicted,
    offMm,
    same: Math.abs(offMm) < SAME_MM[style.system],
    far: Math.abs(offMm) > 2 * predicted.sd,
  };
}

/**
 * How much further a seat was turned than was issued, in turns (less is negative), whichever way it was issued; null where
 * it was done as told, by less than a sixteenth of a turn, or where it is air.
 */
export function turnedFurther(
  document: JobDocument,
  id: CornerId,
  told: ToldCorner | null,
  doneMm: number,
): { turns: number; more: boolean } | null {
  if (!told || told.airByBar !== undefined) return null;
  const pitchMm = cornerSpec(document, id).pitchMm.value;
  const off = doneMm - told.seatMm;
  if (Math.abs(off) < pitchMm / 16) return null;
  return { turns: off / pitchMm, more: Math.abs(doneMm) > Math.abs(told.seatMm) };
}
