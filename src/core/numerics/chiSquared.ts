/** Chi-squared so many standard deviations above its mean: f + n sqrt(2 f) of f degrees of freedom. */
export function chiSquaredAbove(freedom: number, deviations: number): number {
  return freedom + deviations * Math.sqrt(2 * freedom);
}
