import type { Answer } from '../planning/answerShape.ts';
import { answerBy } from '../planning/replan.ts';
import { tolerances } from '../tolerances.ts';
import { movesOf, type CornerMove } from './moves.ts';
import type { CornerId } from '../kinds/corners.ts';

/** One plan on the line between heights and scales. */
export interface TradePoint {
  /** How much the goal on the scales counts there. */
  weight: number;
  /** The share that comes of it, 0 to 1, and how far it is off the one wanted. */
  share: number;
  shareOff: number;
  /** Furthest that a height stays off its target, mm, and how far each does, with its sign. */
  heightOffMm: number;
  heights: { id: CornerId; offMm: number }[];
  moves: CornerMove[];
}

/** What can be had of heights and scales together; plain data, that a worker can send. */
export interface TradeOff {
  goal: 'cross' | 'front';
  target: number;
  /** From heights first to scales first; none that another beats in both, but the job's own stays. */
  points: TradePoint[];
  /** Index of the job's own. */
  taken: number;
  /** Index of the point that has both within their tolerances with most room; null where there is none. */
  both: number | null;
  /** With every height as near as can be, and with the scales as near as can be. */
  heightsFirst: TradePoint;
  scalesFirst: TradePoint;
}

/** Powers of ten from heights alone to scales alone. */
const EXPONENTS = [-3, -2, -1.5, -1, -0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75, 1, 1.5, 2, 3];

/**
 * Four seats have four freedoms: heave, pitch and roll of a rigid body, and cross weight. Four heights ask for three of them
 * and a twist that no body follows, so heights and cross weight can only be traded where the heights twist, the thread ends
 * or left and right are tied. Each point is the whole plan with the scales counting so much; null where nothing is asked of
 * the scales.
 */
export function tradeOff(answer: Answer): TradeOff | null {
  const { cross } = answer;
  if (!cross || (cross.target === null && !cross.frontRight.equal)) return null;
  const goal = cross.frontRight.equal ? 'front' : 'cross';
  const target = goal === 'front' ? 0.5 : (cross.target ?? 0.5);
  const own = answer.document.crossWeight ?? 1;
  const weights = [...new Set([...EXPONENTS.map((exponent) => 10 ** exponent), own])].sort((x, y) => x - y);
  const all = weights.map((weight) => pointAt(answer, weight, { goal, target }));
  // Of points that are alike the job's own stands, else the earlier one.
  const points = all.filter(
    (point, k) =>
      point.weight === own ||
      !all.some((other, j) => other !== point && beats(other, point, j < k || other.weight === own)),
  );
  const taken = points.findIndex(({ weight }) => weight === own);
  const [heightsFirst, scalesFirst] = [points[0], points.at(-1)];
  if (!heightsFirst || !scalesFirst) return null;
  const inBoth = points.filter((point) => isBoth(answer, point));
  const slack = ({ shareOff, heightOffMm }: TradePoint) =>
    Math.max(Math.abs(shareOff) / tolerances.crossShare, heightOffMm / answer.tolerance.value);
  const best = inBoth.length > 0 ? inBoth.reduce((a, b) => (slack(b) < slack(a) ? b : a)) : null;
  const both = best ? points.indexOf(best) : null;
  return { goal, target, points, taken, both, heightsFirst, scalesFirst };
}

function pointAt(
  answer: Answer,
  weight: number,
  { goal, target }: Pick<TradeOff, 'goal' | 'target'>,
): TradePoint {
  const planned = answerBy(answer, { scalesWeight: weight });
  const share = (goal === 'front' ? planned.cross?.frontRight.after : planned.cross?.after) ?? 0;
  return {
    weight,
    share,
    shareOff: share - target,
    heightOffMm: furthestOff(planned),
    heights: heightsOff(planned),
    moves: movesOf(planned),
  };
}

/** Furthest that a plan leaves a height off its target, mm; 0 where there are no targets. */
export function furthestOff(planned: Answer): number {
  return Math.max(0, ...heightsOff(planned).map(({ offMm }) => Math.abs(offMm)));
}

function heightsOff({ corners }: Answer): TradePoint['heights'] {
  return corners.flatMap(({ id, spec, specMm }) =>
    spec.targetMm === null ? [] : [{ id, offMm: specMm - spec.targetMm }],
  );
}

function isBoth({ tolerance }: Answer, { shareOff, heightOffMm }: TradePoint): boolean {
  return Math.abs(shareOff) <= tolerances.crossShare && heightOffMm <= tolerance.value;
}

/** Shares and heights nearer than this are alike on any scale or tape. */
const ALIKE = { share: 2e-4, mm: 0.05 };

/** Whether a point is no worse than another in both, and better in one; of two alike the `earlier` one stands. */
function beats(a: TradePoint, b: TradePoint, earlier: boolean): boolean {
  const share = Math.abs(a.shareOff) - Math.abs(b.shareOff);
  const mm = a.heightOffMm - b.heightOffMm;
  if (share > ALIKE.share || mm > ALIKE.mm) return false;
  return earlier || share < -ALIKE.share || mm < -ALIKE.mm;
}
