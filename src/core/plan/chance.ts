import { cholesky, entry } from '../numerics/matrix.ts';
import { seededUniform, standardNormal } from '../numerics/random.ts';
import { tolerances } from '../tolerances.ts';

/** Jointly normal numbers. */
export interface Gaussian {
  mean: readonly number[];
  covariance: readonly (readonly number[])[];
}

/**
 * Probability (0..1) that every height with a target is truly within `toleranceMm` of it, for jointly normal
 * heights, by drawing from them. The draws are the same every time: the same data always gives the same figure.
 */
export function chanceWithin(
  heights: Gaussian,
  targets: readonly (number | null)[],
  toleranceMm: number,
): number {
  const n = heights.mean.length;
  const lower = Float64Array.from(cholesky(heights.covariance).flat());
  // Where there is no target anything is within.
  const off = Float64Array.from(targets, (target, i) =>
    target === null ? 0 : entry(heights.mean, i) - target,
  );
  const reach = Float64Array.from(targets, (target) => (target === null ? Infinity : toleranceMm));
  const draws = standardDraws(n);
  let within = 0;
  for (let draw = 0; draw < tolerances.chanceDraws; draw++) {
    if (drawWithin(draws, draw * n, lower, off, reach)) within++;
  }
  return within / tolerances.chanceDraws;
}

// Runs thousands of times a keystroke, so on flat arrays and without allocation.
function drawWithin(
  draws: Float64Array,
  start: number,
  lower: Float64Array,
  off: Float64Array,
  reach: Float64Array,
): boolean {
  const n = off.length;
  for (let i = 0; i < n; i++) {
    let error = off[i] as number;
    for (let k = 0; k <= i; k++) error += (lower[i * n + k] as number) * (draws[start + k] as number);
    if (Math.abs(error) > (reach[i] as number)) return false;
  }
  return true;
}

const made = new Map<number, Float64Array>();

/** The standard normal draws for n heights, made once. */
function standardDraws(n: number): Float64Array {
  const known = made.get(n);
  if (known) return known;
  const uniform = seededUniform(20);
  const draws = Float64Array.from({ length: tolerances.chanceDraws * n }, () => standardNormal(uniform));
  made.set(n, draws);
  return draws;
}
