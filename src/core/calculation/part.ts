import type { Which } from '../document/which.ts';
import type { Source } from '../estimate/corner.ts';

/** How a value is written: lengths follow the reader's units, the rest is plain. */
export type SumUnit =
  | 'hertz'
  | 'joule'
  | 'length'
  | 'turns'
  | 'ratio'
  | 'share'
  | 'percent'
  | 'count'
  | 'gain'
  | 'force'
  | 'rate'
  | 'mass'
  | 'pressure'
  | 'angle';

/** A figure that went into another, by its symbol: what it is called is said where it is shown. */
export interface Part {
  symbol: string;
  value: number;
  unit: SumUnit;
  source: Source;
  /** Which of several things it may be of. */
  of?: string | Which | undefined;
}

export function part(
  ...[symbol, value, unit, source, of]: [string, number, SumUnit, Source, (string | Which)?]
): Part {
  return { symbol, value, unit, source, of };
}
