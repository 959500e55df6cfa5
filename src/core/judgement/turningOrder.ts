import type { Answer } from '../planning/answerShape.ts';
import { hardEndOf } from '../document/fitting.ts';
import { isMoved } from '../planning/cornerAnswer.ts';
import { axleOf, type Axle, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { PerCorner } from '../estimate/rounds.ts';
import type { JobDocument, ToldPlan } from '../document/types.ts';

/** mm. Ends that move as much to within this go in measuring order. */
const AS_MUCH_MM = 1;

/**
 * The one order of work, wherever it stands: an end at a time, the one that is hard to get at first, else the one that moves
 * most, since it carries the other; within an end left before right. `movesMm` is what each corner rises or falls by.
 */
export function turningOrder(document: JobDocument, movesMm: PerCorner<number>): CornerId[] {
  const ids = cornersIn(document);
  const most = (axle: Axle) =>
    Math.max(0, ...ids.filter((id) => axleOf(id) === axle).map((id) => Math.abs(movesMm[id] ?? 0)));
  const first = hardEndOf(document) ?? (most('rear') > most('front') + AS_MUCH_MM ? 'rear' : 'front');
  const late = (id: CornerId) => Number(axleOf(id) !== first);
  return [...ids].sort((a, b) => late(a) - late(b));
}

/** The order in which a plan that was told is turned. */
export function toldOrder(document: JobDocument, told: ToldPlan): CornerId[] {
  const moves = Object.entries(told.corners).map(([id, { riseMm, seatMm, mountMm }]) => [
    id,
    riseMm ?? seatMm + (mountMm ?? 0),
  ]);
  return turningOrder(document, Object.fromEntries(moves) as PerCorner<number>);
}

/** The order in which an answer's plan is turned: those corners that it moves. */
export function plannedOrder({ document, corners }: Answer): CornerId[] {
  const moved = corners.filter(isMoved);
  const moves = Object.fromEntries(moved.map(({ id, riseMm }) => [id, riseMm]));
  return turningOrder(document, moves).filter((id) => moved.some((one) => one.id === id));
}

/** The corner to start with; null where nothing is moved. */
export function firstToTurn(answer: Answer): CornerId | null {
  return plannedOrder(answer)[0] ?? null;
}
