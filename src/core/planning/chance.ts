import { cholesky, entry } from '../numerics/matrix.ts';
import { seededUniform, standardNormal } from '../numerics/random.ts';

/** draws. Enough that the stated chance repeats to about 1 in 100. */
const CHANCE_DRAWS = 4000;

/** Jointly normal numbers. */
export interface Gaussian {
  mean: readonly number[];
  covariance: readonly (readonly number[])[];
}

/** How far off its target each number may be, mm: one for all, or each its own. */
type Within = number | readonly number[];

/**
 * Probability (0..1) that every height with a target is truly within `withinMm` of it, for jointly normal
 * heights, by drawing from them. The draws are the same every time: the same data always gives the same figure.
 */
export function chanceWithin(
  { mean, covariance }: Gaussian,
  targets: readonly (number | null)[],
  withinMm: Within,
): number {
  const n = targets.length;
  const lower = Float64Array.from(cholesky(covariance).flat());
  const draws = standardDraws(n);
  const { off, reach } = wanted(mean, targets, withinMm);
  let within = 0;
  for (let start = 0; start < draws.length; start += n) {
    let i = 0;
    while (i < n && Math.abs((off[i] as number) + shaped(lower, draws, start, i, n)) <= (reach[i] as number))
      i++;
    if (i === n) within++;
  }
  return within / CHANCE_DRAWS;
}

/** How far each is off its target, and how far it may be: where there is no target anything is within. */
function wanted(mean: readonly number[], targets: readonly (number | null)[], withinMm: Within) {
  return {
    off: Float64Array.from(targets, (target, i) => (target === null ? 0 : entry(mean, i) - target)),
    reach: Float64Array.from(targets, (target, i) =>
      target === null ? Infinity : typeof withinMm === 'number' ? withinMm : entry(withinMm, i),
    ),
  };
}

/** One number of a draw: a row of the factor times the standard draws. */
function shaped(lower: Float64Array, draws: Float64Array, start: number, i: number, n: number): number {
  let error = 0;
  for (let k = 0; k <= i; k++) error += (lower[i * n + k] as number) * (draws[start + k] as number);
  return error;
}

/** The same for many means about which the heights spread alike: the draws (at most `chanceDraws`) are shaped once. */
export function chancesAround(
  covariance: Gaussian['covariance'],
  targets: readonly (number | null)[],
  withinMm: Within,
  draws: number = CHANCE_DRAWS,
): (mean: readonly number[]) => number {
  const n = targets.length;
  const errors = shapedDraws(covariance, n, draws);
  return (mean) => {
    const { off, reach } = wanted(mean, targets, withinMm);
    let within = 0;
    for (let start = 0; start < errors.length; start += n) if (allWithin(errors, start, off, reach)) within++;
    return within / draws;
  };
}

// These run thousands of times a keystroke, so on flat arrays and without allocation.
function allWithin(errors: Float64Array, start: number, off: Float64Array, reach: Float64Array): boolean {
  for (let i = 0; i < off.length; i++)
    if (Math.abs((off[i] as number) + (errors[start + i] as number)) > (reach[i] as number)) return false;
  return true;
}

/** Standard draws times the Cholesky factor of a covariance: draws x n, flat. */
function shapedDraws(covariance: Gaussian['covariance'], n: number, count: number): Float64Array {
  const lower = Float64Array.from(cholesky(covariance).flat());
  const draws = standardDraws(n).subarray(0, count * n);
  const all = new Float64Array(draws.length);
  for (let start = 0; start < draws.length; start += n)
    for (let i = 0; i < n; i++) all[start + i] = shaped(lower, draws, start, i, n);
  return all;
}

const made = new Map<number, Float64Array>();

/** The standard normal draws for n heights, made once. */
function standardDraws(n: number): Float64Array {
  const known = made.get(n);
  if (known) return known;
  const uniform = seededUniform(20);
  const draws = Float64Array.from({ length: CHANCE_DRAWS * n }, () => standardNormal(uniform));
  made.set(n, draws);
  return draws;
}
