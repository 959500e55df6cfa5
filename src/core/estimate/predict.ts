import { standardNormal, type Uniform } from '../numerics/random.ts';
import { dot } from '../numerics/matrix.ts';
import type { Situation } from './belief.ts';
import type { Fit } from './fit.ts';
import { unpack, type Values } from './parameters.ts';
import { moveOn, sensitivity, simulate, type Outcome } from './simulate.ts';

/** True heights (without friction) to expect in a situation. */
export interface Prediction {
  outcome: Outcome;
  /** By reference, mm. */
  mean: number[];
  covariance: number[][];
  /** Wheel travel used, by contact, and its standard deviation, mm. */
  travel: number[];
  travelSd: number[];
  /** Covariance of heights and travels together, heights first. */
  together: () => number[][];
}

/** Heights and travels expected in a situation, to first order in what is not known. */
export function predict(fit: Fit, situation: Situation): Prediction {
  const { believed, parameters, values } = fit;
  const outcome = simulate(believed, values, situation);
  const slopes = sensitivity(believed, parameters, values, outcome, situation);
  const spread = spreadOf(fit, slopes.heights, outcome.heights.length);
  const travelSpread = spreadOf(fit, slopes.travel, outcome.travel.length);
  return {
    outcome,
    mean: outcome.heights,
    covariance: spread,
    travel: outcome.travel,
    travelSd: travelSpread.map((row, i) => Math.sqrt(row[i] ?? 0)),
    together: () => {
      const rows = new Float64Array(slopes.heights.length + slopes.travel.length);
      rows.set(slopes.heights);
      rows.set(slopes.travel, slopes.heights.length);
      return spreadOf(fit, rows, outcome.heights.length + outcome.travel.length);
    },
  };
}

/** Heights in several situations at once, one after another, with what they share. */
export function predictJointly(
  fit: Fit,
  situations: readonly Situation[],
): { mean: number[]; covariance: number[][] } {
  const { believed, parameters, values } = fit;
  const width = believed.references.length * parameters.length;
  const rows = new Float64Array(width * situations.length);
  const mean = situations.flatMap((situation, k) => {
    const outcome = simulate(believed, values, situation);
    rows.set(sensitivity(believed, parameters, values, outcome, situation).heights, k * width);
    return outcome.heights;
  });
  return { mean, covariance: spreadOf(fit, rows, mean.length) };
}

/** A P A' with P the inverse of the fit's precision, for A given row-major: rows solved against the factor. */
function spreadOf({ factor, parameters }: Fit, rows: Float64Array, count: number): number[][] {
  const n = parameters.length;
  const halves = Array.from({ length: count }, (_, i) => {
    const half = rows.slice(i * n, (i + 1) * n);
    forward(factor, n, half);
    return half;
  });
  return halves.map((a) => halves.map((b) => dot(a, b)));
}

/** Heights, travels and single coordinates in a situation as rows whose inner products are covariances. */
export interface SpreadRows {
  /** Heights expected, mm. */
  mean: number[];
  heights: Float64Array[];
  travel: Float64Array[];
  /** Of the parameter with this index. */
  unit: (parameter: number) => Float64Array;
}

/** Whitened rows of what a fit does not know: with P = (L L')^-1, cov(a, b) = (L^-1 a) . (L^-1 b). */
export function travelSpreadRows(fit: Fit, situation: Situation): SpreadRows {
  const { believed, parameters, values, factor } = fit;
  const n = parameters.length;
  const outcome = simulate(believed, values, situation);
  const slopes = sensitivity(believed, parameters, values, outcome, situation);
  const whitened = (rows: Float64Array, count: number) =>
    Array.from({ length: count }, (_, i) => {
      const row = rows.slice(i * n, (i + 1) * n);
      forward(factor, n, row);
      return row;
    });
  return {
    mean: outcome.heights,
    heights: whitened(slopes.heights, believed.references.length),
    travel: whitened(slopes.travel, believed.machine.contacts.length),
    unit: (parameter) => {
      const row = new Float64Array(n);
      row[parameter] = 1;
      forward(factor, n, row);
      return row;
    },
  };
}

function forward(factor: Float64Array, n: number, right: Float64Array): void {
  for (let i = 0; i < n; i++) {
    let rest = right[i] as number;
    for (let k = 0; k < i; k++) rest -= (factor[i * n + k] as number) * (right[k] as number);
    right[i] = rest / (factor[i * n + i] as number);
  }
}

/** One machine that the readings allow, drawn from the fit. */
export function drawValues(fit: Fit, uniform: Uniform): Values {
  return unpack(fit.believed, fit.parameters, drawCoordinates(fit, uniform));
}

/** Two machines that the readings allow, as far to either side of the likeliest: what one exaggerates the other plays down. */
export function drawPair(fit: Fit, uniform: Uniform): [Values, Values] {
  const { believed, parameters, best } = fit;
  const x = drawCoordinates(fit, uniform);
  const mirrored = x.map((value, i) => 2 * (best[i] as number) - value);
  return [unpack(believed, parameters, x), unpack(believed, parameters, mirrored)];
}

function drawCoordinates({ parameters, best, factor }: Fit, uniform: Uniform): Float64Array {
  const n = parameters.length;
  const x = Float64Array.from({ length: n }, () => standardNormal(uniform));
  // L' d = e gives d with covariance (L L')^-1.
  for (let i = n - 1; i >= 0; i--) {
    let rest = x[i] as number;
    for (let k = i + 1; k < n; k++) rest -= (factor[k * n + i] as number) * (x[k] as number);
    x[i] = rest / (factor[i * n + i] as number);
  }
  for (let i = 0; i < n; i++) x[i] = (x[i] as number) + (best[i] as number);
  return x;
}

/**
 * A way to draw heights after some work: where a drawn machine stands now is taken straight from the fit, so that it
 * agrees with what was read; what the work does to it comes from the full model.
 */
export function heightSampler(fit: Fit, now: Situation, after: Situation): (uniform: Uniform) => number[] {
  const { believed, parameters, values, best } = fit;
  const n = parameters.length;
  const outcome = simulate(believed, values, now);
  const { heights: slopes } = sensitivity(believed, parameters, values, outcome, now);
  const ringsStay = JSON.stringify(now.ringsMm) === JSON.stringify(after.ringsMm);
  return (uniform) => {
    const x = drawCoordinates(fit, uniform);
    const drawn = unpack(believed, parameters, x);
    const here = simulate(believed, drawn, now);
    const before = here.heights;
    const then = (ringsStay ? moveOn(here, believed, drawn, after) : simulate(believed, drawn, after))
      .heights;
    return outcome.heights.map((height, r) => {
      let straight = height;
      for (let k = 0; k < n; k++)
        straight += (slopes[r * n + k] as number) * ((x[k] as number) - (best[k] as number));
      return straight + (then[r] ?? NaN) - (before[r] ?? NaN);
    });
  };
}

/**
 * Covariance left of rows once others are known to within their deviations: P - P B' (B P B' + r^2)^-1 B P, taken in one
 * after another.
 */
export function conditionedRows(
  rows: readonly Float64Array[],
  known: readonly { row: Float64Array; sd: number }[],
): number[][] {
  const all = [...rows, ...known.map(({ row }) => row)];
  const covariance = all.map((a) => all.map((b) => dot(a, b)));
  known.forEach(({ sd }, k) => {
    const pivot = rows.length + k;
    const column = covariance.map((row) => row[pivot] ?? 0);
    const variance = (column[pivot] ?? 0) + sd * sd;
    for (const [i, row] of covariance.entries())
      for (let j = 0; j < row.length; j++)
        row[j] = (row[j] as number) - ((column[i] ?? 0) * (column[j] ?? 0)) / variance;
  });
  return covariance.slice(0, rows.length).map((row) => row.slice(0, rows.length));
}
