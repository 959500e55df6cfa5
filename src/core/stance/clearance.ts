import { taken } from '../document/description/assumed.ts';
import { clearance as clearanceField } from '../document/description/parts.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { ClearanceDocument } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';

/** mm. A rise over which a distance was measured twice tells what it gains per mm. */
const TELLS_MM = 4;

/** A clearance as it is known: measured last, with what that has taught of how it changes. */
export interface KnownClearance {
  /** What it is taken for now: its distance as measured last, and what it gains. */
  one: ClearanceDocument;
  /** mm that the body had risen since the baseline when that was measured. */
  atMm: number;
  /** Whether what it gains is only taken for granted. */
  assumed: boolean;
}

/** What is known of a corner's clearance, by its place in the list. */
export function knownClearance(answer: Answer, id: CornerId, k: number): KnownClearance {
  const { state, fit, machine, document } = answer;
  const one = document.corners[id].clearances[k] as ClearanceDocument;
  const i = machine.corners.indexOf(id);
  const travel = (round: number) => fit.rounds[round]?.travel[i] ?? NaN;
  const read = state.rounds.findLast(({ clearances }) => clearances[id]?.[k] !== undefined);
  const mm = read?.clearances[id]?.[k];
  if (!read || mm === undefined) {
    const assumed = one.perMm === null && one.rows === null;
    return { one, atMm: one.atMm === null ? 0 : -sinceMeasured(answer, id, one, 0), assumed };
  }
  const atMm = travel(state.base) - travel(read.round);
  const since = sinceMeasured(answer, id, one, atMm);
  const taught = one.perMm === null && one.rows === null && Math.abs(since) >= TELLS_MM;
  const perMm = taught ? (mm - one.nowMm) / since : one.perMm;
  const rows =
    one.rows?.map(([x, y]): [number, number] => [x - since, y + mm - distanceAfter(one, since)]) ?? null;
  return { one: { ...one, nowMm: mm, perMm, rows }, atMm, assumed: perMm === null && rows === null };
}

/**
 * mm between two things once the body has risen so far (mm, down is negative) since the distance was measured: by its
 * table, straight from row to row and on past its ends, or by so much per mm.
 */
export function distanceAfter({ nowMm, perMm, rows }: ClearanceDocument, risenMm: number): number {
  const gain = taken(clearanceField.fields.perMm, perMm);
  const around = rows && rowsAround(rows, risenMm);
  if (!around) return nowMm + gain * risenMm;
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
