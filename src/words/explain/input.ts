import type { SumInput } from './types.ts';

/** One line of a sum: symbol, meaning, value, unit, source. */
export function input(
  ...[symbol, name, value, unit, source]: [string, string, number, SumInput['unit'], SumInput['source']]
): SumInput {
  return { symbol, name, value, unit, source };
}
