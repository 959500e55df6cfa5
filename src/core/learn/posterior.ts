import { cornerSpec } from '../job/corner.ts';
import type { Round } from '../job/rounds.ts';
import type { JobDocument } from '../job/types.ts';
import { axleOf, bodyProjection, type CornerId } from '../machine/body.ts';
import type { Axle } from '../machine/classes.ts';
import { apply, at, build, entry, invertSpd, multiply, transpose, type Matrix } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';

export interface Gaussian {
  mean: number[];
  covariance: number[][];
}

/** mm at the wheel per mm at the seat, with one standard deviation. */
interface Gain {
  mean: number;
  sd: number;
}

/**
 * What the readings say. The state is [heights of the known corners (as specified, mm), gain front, gain rear];
 * a gain is mm at the wheel per mm at the seat.
 */
export interface Posterior {
  corners: CornerId[];
  /** The state as it is now. */
  state: Gaussian;
  /** Mean heights in every round, by corner in the order of `corners`. */
  heightsByRound: number[][];
  gains: Record<Axle, { prior: Gain; now: Gain }>;
  projection: Matrix;
}

const axles: readonly Axle[] = ['front', 'rear'];

/**
 * Bayesian update of heights and gains from all rounds together.
 *
 * Model: h_r = h_0 + sum over rounds up to r of P diag(c) E g, with P the rigid body's projection, c the seat moves
 * done, E picking each corner's axle, g the two gains; a mean of n readings has variance tape^2/n + friction^2.
 * Prior: heights unknown, gains 1/MR +- 12 %. Linear and normal, so the posterior is exact:
 * covariance = (prior^-1 + A' R^-1 A)^-1 (any text on Bayesian linear regression).
 */
export function updateFromRounds(document: JobDocument, rounds: readonly Round[]): Posterior {
  const corners = (Object.keys(rounds[0]?.heights ?? {}) as CornerId[]).sort(byMeasuringOrder);
  const projection = bodyProjection(document.machine, corners);
  const paths = rounds.map((_, index) => stateToHeights(rounds.slice(0, index + 1), corners, projection));
  const priors = priorGains(document, corners);
  const prior = priorState(document, rounds, corners, priors);
  const initial = regress(prior, observe(document, rounds, corners, paths));
  const toNow = withGains(paths.at(-1) ?? [], corners.length);
  const state = push(initial, toNow);
  return {
    corners,
    state,
    heightsByRound: paths.map((path) => apply(path, initial.mean)),
    gains: describeGains(priors, state, corners.length),
    projection,
  };
}

function byMeasuringOrder(a: CornerId, b: CornerId): number {
  const order = 'LF RF LR RR';
  return order.indexOf(a) - order.indexOf(b);
}

/** n x (n+2): heights after these rounds as a linear function of the initial state. */
function stateToHeights(
  rounds: readonly Round[],
  corners: readonly CornerId[],
  projection: Matrix,
): number[][] {
  const moves = corners.map((corner) =>
    rounds.reduce((sum, { moves: done }) => sum + (done[corner] ?? 0), 0),
  );
  const perGain = gainColumns(projection, corners, moves);
  return corners.map((_, i) => [...corners.map((__, j) => (i === j ? 1 : 0)), ...(perGain[i] ?? [])]);
}

/** n x 2: what one unit of each axle's gain adds to the heights, for these seat moves. */
export function gainColumns(
  projection: Matrix,
  corners: readonly CornerId[],
  moves: readonly number[],
): number[][] {
  return build(corners.length, 2, (i, a) =>
    corners.reduce(
      (sum, corner, j) => (axleOf(corner) === axles[a] ? sum + at(projection, i, j) * entry(moves, j) : sum),
      0,
    ),
  );
}

function withGains(heightRows: Matrix, n: number): number[][] {
  const gainRows = [0, 1].map((a) => Array.from({ length: n + 2 }, (_, j) => (j === n + a ? 1 : 0)));
  return [...heightRows.map((row) => [...row]), ...gainRows];
}

function priorGains(document: JobDocument, corners: readonly CornerId[]): Record<Axle, Gain> {
  const one = (axle: Axle): Gain => {
    const corner = corners.find((id) => axleOf(id) === axle) ?? (axle === 'front' ? 'LF' : 'LR');
    const mean = 1 / cornerSpec(document, corner).ratio.value;
    return { mean, sd: mean * tolerances.ratioPriorSd };
  };
  return { front: one('front'), rear: one('rear') };
}

function priorState(
  document: JobDocument,
  rounds: readonly Round[],
  corners: readonly CornerId[],
  gains: Record<Axle, Gain>,
): Gaussian {
  const heights = corners.map(
    (id) => meanOf(rounds[0]?.heights[id] ?? [0]) + cornerSpec(document, id).offsetMm,
  );
  const sds = [...corners.map(() => tolerances.heightPriorSdMm), gains.front.sd, gains.rear.sd];
  return {
    mean: [...heights, gains.front.mean, gains.rear.mean],
    covariance: build(sds.length, sds.length, (i, j) => (i === j ? entry(sds, i) ** 2 : 0)),
  };
}

interface Observation {
  row: number[];
  value: number;
  variance: number;
}

function observe(
  document: JobDocument,
  rounds: readonly Round[],
  corners: readonly CornerId[],
  paths: readonly Matrix[],
): Observation[] {
  return rounds.flatMap((round, r) =>
    corners.flatMap((corner, i) => {
      const readings = round.heights[corner];
      if (readings === undefined) return [];
      const value = meanOf(readings) + cornerSpec(document, corner).offsetMm;
      return [{ row: [...(paths[r]?.[i] ?? [])], value, variance: readingVariance(round, readings.length) }];
    }),
  );
}

/** mm^2: variance of a mean of n readings of one corner in one round. */
export function readingVariance(round: Pick<Round, 'settled'>, n: number): number {
  const friction = round.settled === null ? tolerances.unsettledFrictionSdMm : tolerances.settledFrictionSdMm;
  return tolerances.tapeSdMm ** 2 / n + friction ** 2;
}

function regress(prior: Gaussian, observations: readonly Observation[]): Gaussian {
  const n = prior.mean.length;
  const precision = invertSpd(prior.covariance);
  const right = apply(precision, prior.mean);
  for (const { row, value, variance } of observations) {
    for (let i = 0; i < n; i++) {
      right[i] = entry(right, i) + (entry(row, i) * value) / variance;
      const target = precision[i] as number[];
      for (let j = 0; j < n; j++) target[j] = entry(target, j) + (entry(row, i) * entry(row, j)) / variance;
    }
  }
  const covariance = invertSpd(precision);
  return { mean: apply(covariance, right), covariance };
}

/** The distribution of A x for normal x. */
export function push(gaussian: Gaussian, map: Matrix): Gaussian {
  return {
    mean: apply(map, gaussian.mean),
    covariance: multiply(multiply(map, gaussian.covariance), transpose(map)),
  };
}

function describeGains(priors: Record<Axle, Gain>, state: Gaussian, n: number): Posterior['gains'] {
  const now = (a: number): Gain => ({
    mean: entry(state.mean, n + a),
    sd: Math.sqrt(at(state.covariance, n + a, n + a)),
  });
  return { front: { prior: priors.front, now: now(0) }, rear: { prior: priors.rear, now: now(1) } };
}

/** Mean of at least one number. */
export function meanOf(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
