import type { Gaussian } from '../learn/posterior.ts';
import { cholesky, entry } from '../numerics/matrix.ts';
import { seededUniform, standardNormal } from '../numerics/random.ts';
import { tolerances } from '../tolerances.ts';

/**
 * Probability (0..1) that every height with a target is truly within `toleranceMm` of it, for jointly normal
 * heights, by drawing from them. The seed is fixed: the same data always gives the same figure.
 */
export function chanceWithin(
  heights: Gaussian,
  targets: readonly (number | null)[],
  toleranceMm: number,
): number {
  const uniform = seededUniform(20);
  const lower = cholesky(heights.covariance);
  const n = heights.mean.length;
  let within = 0;
  for (let draw = 0; draw < tolerances.chanceDraws; draw++) {
    const z = Array.from({ length: n }, () => standardNormal(uniform));
    if (allWithin(heights.mean, lower, z, targets, toleranceMm)) within++;
  }
  return within / tolerances.chanceDraws;
}

function allWithin(
  mean: readonly number[],
  lower: readonly (readonly number[])[],
  z: readonly number[],
  targets: readonly (number | null)[],
  toleranceMm: number,
): boolean {
  return targets.every((target, i) => {
    if (target === null) return true;
    let height = entry(mean, i);
    for (let k = 0; k <= i; k++) height += entry(lower[i] ?? [], k) * entry(z, k);
    return Math.abs(height - target) <= toleranceMm;
  });
}
