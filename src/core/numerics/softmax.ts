/** Shares that add up to 1 of things whose logarithms of likelihood are given, taken so that nothing overflows. */
export function softmaxShares(logs: readonly number[]): number[] {
  const most = Math.max(...logs);
  const weights = logs.map((log) => Math.exp(log - most));
  const whole = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / whole);
}
