import { solveSpd } from '../numerics/matrix.ts';
import { upOf, uprightOf } from './camera.ts';
import { circlePoses, type CirclePose } from './circlePose.ts';
import type { Ellipse } from './ellipse.ts';
import { dot3 } from './vector.ts';
import {
  apartPx,
  LEAN,
  priors,
  SEEN,
  SIZE,
  STEPS,
  value,
  YAW,
  type Known,
  type RimEdge,
} from './wheelModel.ts';

/** A wheel fitted to the edge of its rim. */
export interface WheelFit {
  known: Known;
  values: Float64Array;
  /** How far the whole edge may lie in or out of the rim's, mm. */
  edgeSdMm: number;
  /** Inverse covariance of all that is fitted. */
  information: number[][];
  /** The rim's own part of it. */
  fromRim: number[][];
  /** Root mean square of what is left at the edge, pixels. */
  leftPx: number;
  /** Share of the edge that lies on the circle. */
  onCircleShare: number;
}

/** An edge that scatters, by dirt or scuffs, is as a whole out by about so much of its scatter. */
const WHOLE_EDGE = 0.6;

/** How far the whole edge may lie in or out of the rim's, mm, by how its places scatter. */
function edgeSdMm(known: Known, values: Float64Array, sdPx: number): number {
  const awayMm = 0.5 * known.rimDiameterMm * Math.exp(value(values, 2));
  return (WHOLE_EDGE * sdPx * awayMm) / known.camera.focalPx;
}

/** Places along an edge go wrong together: dirt, a worn lip. So many of them count as one. */
const TOGETHER = 5;

/**
 * The wheel that its rim's edge shows best, with what is known beforehand weighed in: the most probable one (Gauss and
 * Newton, Tukey's weights), from both poses that its outline leaves open. The level and that wheels stand upright choose
 * between them. Null where the outline is no wheel.
 */
export function fitWheel(known: Known, outline: Ellipse, edge: RimEdge): WheelFit | null {
  const poses = circlePoses(known.camera, outline);
  if (!poses) return null;
  const fits = poses.flatMap((pose) => {
    const start = startOf(known, pose);
    const fit = start && improve(known, start, edge);
    return fit ? [fit] : [];
  });
  fits.sort((a, b) => a.cost - b.cost);
  return fits[0]?.fit ?? null;
}

function startOf(known: Known, { middle, normal }: CirclePose): Float64Array | null {
  const values = new Float64Array(SIZE);
  const { right, up, back } = uprightOf(upOf(known.level));
  values[0] = middle[0] / middle[2];
  values[1] = middle[1] / middle[2];
  values[2] = Math.log(middle[2]);
  values[YAW] = Math.atan2(dot3(normal, right), dot3(normal, back));
  values[LEAN] = 0.5 * Math.asin(Math.max(-1, Math.min(1, dot3(normal, up))));
  return values.every(Number.isFinite) ? values : null;
}

const MOST_TURNS = 9;
/** rad. A wheel is turned by no more than this at once. */
const MOST_TURN = 0.15;

function improve(known: Known, start: Float64Array, edge: RimEdge): { fit: WheelFit; cost: number } | null {
  const n = edge.xs.length;
  const values = Float64Array.from(start);
  const apart = new Float64Array(n);
  const beforehand = priors(known, edgeSdMm(known, start, edge.sdPx));
  let spreadPx = edge.sdPx;
  let sums: Sums = { fromRim: [], information: [], pull: [] };
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    apartPx(known, values, edge, apart);
    spreadPx = spreadOf(apart, edge.sdPx);
    sums = sumsAt(known, values, edge, { apart, spreadPx, beforehand });
    const move = solved(sums);
    if (!move) return null;
    if (moved(values, move) < 0.1 && turn > 2) break;
  }
  apartPx(known, values, edge, apart);
  const { fromRim, information } = sums;
  const fit = {
    known,
    edgeSdMm: edgeSdMm(known, values, edge.sdPx),
    values,
    information,
    fromRim,
    ...leftAt(apart, spreadPx),
  };
  return values.every(Number.isFinite) ? { fit, cost: costOf(values, apart, spreadPx, beforehand) } : null;
}

const spreadOf = (apart: Float64Array, leastPx: number): number => {
  const sizes = Float64Array.from(apart, Math.abs).sort();
  return Math.max(1.4826 * (sizes[sizes.length >> 1] as number), leastPx);
};

/** Takes a step, in place; how far it went, in steps of its own. */
function moved(values: Float64Array, move: readonly number[]): number {
  let most = 0;
  for (let k = 0; k < SIZE; k++) {
    const limit = k === YAW || k === LEAN ? MOST_TURN : Infinity;
    const by = Math.max(-limit, Math.min(limit, move[k] as number));
    values[k] = value(values, k) + by;
    most = Math.max(most, Math.abs(by) / (STEPS[k] as number));
  }
  return most;
}

interface Sums {
  fromRim: number[][];
  information: number[][];
  pull: number[];
}

function solved({ information, pull }: Sums): number[] | null {
  try {
    return solveSpd(information, pull);
  } catch {
    return null;
  }
}

interface At {
  apart: Float64Array;
  spreadPx: number;
  beforehand: readonly [number, number][];
}

/** The normal equations: what the rim's edge says, and with it what is known beforehand. */
function sumsAt(
  known: Known,
  values: Float64Array,
  edge: RimEdge,
  { apart, spreadPx, beforehand }: At,
): Sums {
  const slopes = slopesAt(known, values, edge);
  const pull = new Array<number>(SIZE).fill(0);
  const fromRim = Array.from({ length: SIZE }, () => new Array<number>(SIZE).fill(0));
  const unit = 1 / (spreadPx * spreadPx * TOGETHER);
  for (let i = 0; i < apart.length; i++) {
    const weight = unit * tukey((apart[i] as number) / spreadPx);
    if (weight === 0) continue;
    for (let a = 0; a < SEEN; a++) {
      const at = weight * ((slopes[a] as Float64Array)[i] as number);
      pull[a] = (pull[a] as number) - at * (apart[i] as number);
      const row = fromRim[a] as number[];
      for (let b = 0; b < SEEN; b++)
        row[b] = (row[b] as number) + at * ((slopes[b] as Float64Array)[i] as number);
    }
  }
  const information = fromRim.map((row) => [...row]);
  for (const [k, sd] of beforehand) {
    (information[k] as number[])[k] = (information[k]?.[k] as number) + 1 / (sd * sd);
    pull[k] = (pull[k] as number) - value(values, k) / (sd * sd);
  }
  // Where the rim shows nothing of a turn, it is left where it is.
  (information[YAW] as number[])[YAW] = (information[YAW]?.[YAW] as number) + 1e-6;
  return { fromRim, information, pull };
}

/** How each place's distance from the circle goes with each value that the edge tells. */
function slopesAt(known: Known, values: Float64Array, edge: RimEdge): Float64Array[] {
  const n = edge.xs.length;
  const [less, more] = [new Float64Array(n), new Float64Array(n)];
  return Array.from({ length: SEEN }, (_, k) => {
    const step = STEPS[k] as number;
    for (const [side, into] of [
      [-step, less],
      [step, more],
    ] as const) {
      const there = Float64Array.from(values);
      there[k] = value(there, k) + side;
      apartPx(known, there, edge, into);
    }
    return less.map((before, i) => ((more[i] as number) - before) / (2 * step));
  });
}

/** What is left at the edge: the root mean square of what lies on the circle, and how much of the edge does. */
function leftAt(apart: Float64Array, spreadPx: number): Pick<WheelFit, 'leftPx' | 'onCircleShare'> {
  const on = apart.filter((by) => Math.abs(by) < 3 * spreadPx);
  const squares = on.reduce((sum, by) => sum + by * by, 0);
  return { leftPx: Math.sqrt(squares / Math.max(on.length, 1)), onCircleShare: on.length / apart.length };
}

function costOf(
  values: Float64Array,
  apart: Float64Array,
  spreadPx: number,
  beforehand: At['beforehand'],
): number {
  const edge = apart.reduce((sum, by) => sum + Math.min((by / spreadPx) ** 2, 16), 0);
  // The tighter of two poses would win by being worse elsewhere: the scatter itself counts too.
  const scatter = 2 * apart.length * Math.log(spreadPx);
  const own = beforehand.reduce((sum, [k, sd]) => sum + (value(values, k) / sd) ** 2, 0);
  return (edge + scatter) / TOGETHER + own;
}

const tukey = (size: number): number => {
  const share = size / 4.7;
  return Math.abs(share) >= 1 ? 0 : (1 - share * share) ** 2;
};
