/** What a tester said of two settings that were ridden one after the other. */
export type Better = 'low' | 'high';

/** A search between two settings by halves: both ends are ridden, then the worse one moves towards the middle. */
export interface Bracket {
  low: number;
  high: number;
}

/** Whole clicks still between the two ends: at 2 or less it is found. */
export function isFound({ low, high }: Bracket): boolean {
  return high - low <= 2;
}

/** The setting to leave it at once it is found: the middle, on a whole click. */
export function middleOf({ low, high }: Bracket): number {
  return Math.round((low + high) / 2);
}

/** The next two to compare: the better end stays, the other comes to the middle. */
function narrowed(bracket: Bracket, better: Better): Bracket {
  const middle = middleOf(bracket);
  return better === 'low' ? { low: bracket.low, high: middle } : { low: middle, high: bracket.high };
}

/** A bracket from the whole range and the answers so far, in order. */
export function bracketAfter(most: number, answers: readonly Better[]): Bracket {
  return answers.reduce(narrowed, { low: 0, high: most });
}
