import type { Answer } from '../planning/answerShape.ts';
import { answerBy } from '../planning/replan.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { tolerances } from '../tolerances.ts';
import { canMove, hardEndOf } from '../document/fitting.ts';
import { moveSize, movesOf, type CornerMove } from './moves.ts';
import { furthestOff } from './tradeOff.ts';

/** One way to move the seats that meets what is asked for; plain data, that a worker can send. */
export interface SeatWay {
  /** The smallest first. */
  moves: CornerMove[];
  /** Corners that are left as they are, so that the plan can be made again. */
  held: CornerId[];
  /** Cross weight that comes of it, 0 to 1. */
  cross: number;
  heightOffMm: number;
  /** mm of seat and mount moved altogether, and at the end that is hard to get at. */
  movedMm: number;
  hardMm: number;
}

const MOST = 4;

/**
 * Ways that bring every height and the scales within their tolerances, by which seats they touch: the hard end least,
 * then the fewest seats, then the smallest moves. Where none does, only the plan itself, which comes nearest.
 */
export function seatWays(answer: Answer, scalesWeight: number): SeatWay[] {
  const ids = answer.corners.map(({ id }) => id).filter((id) => canMove(answer.document.corners[id]));
  const sets = Array.from({ length: 2 ** ids.length - 1 }, (_, mask) =>
    ids.filter((_id, k) => !((mask >> k) & 1)),
  );
  const own = wayBy(answer, scalesWeight, []);
  const all = sets
    .map((touched) =>
      wayBy(
        answer,
        scalesWeight,
        ids.filter((id) => !touched.includes(id)),
      ),
    )
    .filter(({ isMet }) => isMet)
    .map(({ way }) => way)
    .sort((a, b) => a.hardMm - b.hardMm || a.moves.length - b.moves.length || a.movedMm - b.movedMm);
  const kept = all.filter(
    (way, k) => all.findIndex((other) => touchedBy(other) === touchedBy(way)) === k && isWorthIt(way, all, k),
  );
  return kept.length > 0 ? kept.slice(0, MOST) : [own.way];
}

function touchedBy({ moves }: SeatWay): string {
  return moves
    .map(({ id }) => id)
    .sort()
    .join();
}

/** A way that touches all that an earlier one touches and more, for no smaller moves, is of no use. */
function isWorthIt(way: SeatWay, all: readonly SeatWay[], k: number): boolean {
  return !all
    .slice(0, k)
    .some(
      (before) =>
        before.moves.every(({ id }) => way.moves.some((move) => move.id === id)) &&
        before.heightOffMm <= way.heightOffMm + tolerances.missedMm,
    );
}

function wayBy(
  answer: Answer,
  scalesWeight: number,
  held: readonly CornerId[],
): { way: SeatWay; isMet: boolean } {
  const planned = answerBy(answer, { scalesWeight, held });
  const moves = movesOf(planned);
  const hard = hardEndOf(answer.document);
  const total = (list: readonly CornerMove[]) => list.reduce((sum, move) => sum + moveSize(move), 0);
  const way = {
    moves,
    held: [...held],
    cross: planned.cross?.after ?? 0,
    heightOffMm: furthestOff(planned),
    movedMm: total(moves),
    hardMm: total(moves.filter(({ id }) => axleOf(id) === hard)),
  };
  return { way, isMet: isMet(planned, way.heightOffMm) };
}

function isMet({ cross, tolerance }: Answer, heightOffMm: number): boolean {
  const off =
    cross === null
      ? 0
      : cross.frontRight.equal
        ? cross.frontRight.after - 0.5
        : cross.target === null
          ? 0
          : cross.after - cross.target;
  return heightOffMm <= tolerance.value && Math.abs(off) <= tolerances.crossShare;
}
