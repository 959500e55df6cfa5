/**
 * Where a condition that holds at `low` and no longer at `high` ceases to hold, by halving the range: the last place found
 * at which it holds, within `within` of the change. It must change once; where it holds everywhere `high` comes out, where
 * nowhere `low`.
 */
export function bisect(
  low: number,
  high: number,
  holds: (at: number) => boolean,
  within = 1e-11 * Math.max(1, Math.abs(low), Math.abs(high)),
): number {
  let [from, to] = [low, high];
  while (to - from > within) {
    const middle = (from + to) / 2;
    if (holds(middle)) from = middle;
    else to = middle;
  }
  return to === high && holds(high) ? high : from;
}
