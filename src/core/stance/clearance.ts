import type { Answer } from '../planning/answerShape.ts';
import type { ClearanceDocument } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';

/**
 * mm between two things once the body has risen so far (mm, down is negative) since the distance was measured: by its
 * table, straight from row to row and on past its ends, or by so much per mm.
 */
export function distanceAfter({ nowMm, perMm, rows }: ClearanceDocument, risenMm: number): number {
  const around = rows && rowsAround(rows, risenMm);
  if (!around) return nowMm + perMm * risenMm;
  const [[x0, y0], [x1, y1]] = around;
  return y0 + ((risenMm - x0) * (y1 - y0)) / (x1 - x0);
}

type Row = readonly [number, number];

/** The two rows of a table between which a rise lies, or the two at the end that it lies beyond. Null of fewer than two. */
export function rowsAround(rows: readonly Row[], risenMm: number): readonly [Row, Row] | null {
  if (rows.length < 2) return null;
  const next = rows.findIndex(([x]) => x > risenMm);
  const k = next < 0 ? rows.length - 1 : Math.max(next, 1);
  return [rows[k - 1] as Row, rows[k] as Row];
}

/** mm gained per mm of rise there, by a difference over a millimetre each way. */
export function gainsAt(clearance: ClearanceDocument, risenMm: number): number {
  return (distanceAfter(clearance, risenMm + 1) - distanceAfter(clearance, risenMm - 1)) / 2;
}

/**
 * mm that the body has risen over a corner since a clearance was measured, when it has risen so far since the baseline. One
 * measured at a known height counts from there.
 */
export function sinceMeasured(
  { corners, posterior }: Answer,
  id: CornerId,
  { atMm }: ClearanceDocument,
  risenMm: number,
): number {
  const baseline = posterior.heightsByRound[0]?.[corners.findIndex((corner) => corner.id === id)];
  return atMm === null || baseline === undefined ? risenMm : risenMm + baseline - atMm;
}
