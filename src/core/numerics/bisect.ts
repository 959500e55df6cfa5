/** Halvings after which a range is as narrow as numbers allow, wherever in it the change lies. */
const HALVINGS = 64;

/**
 * Where a condition that holds at `low` and no longer at `high` ceases to hold, by halving the range: the last place found
 * at which it holds. It must change once; where it holds everywhere `high` comes out, where nowhere `low`.
 */
export function bisect(low: number, high: number, holds: (at: number) => boolean): number {
  let [from, to] = [low, high];
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (from + to) / 2;
    if (middle === from || middle === to) break;
    if (holds(middle)) from = middle;
    else to = middle;
  }
  return to === high && holds(high) ? high : from;
}
