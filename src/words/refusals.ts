import type { Refusal } from '#core/units/amount.ts';

/** Says in words what is wrong with a typed number and what would be right. */
export function explainRefusal(reason: Refusal, text: string): string {
  if (reason === 'not-a-number')
    return `“${text.trim()}” is not a number. Type for example 375, 37.5 cm or 14 3/4.`;
  if (reason === 'unknown-unit')
    return `“${text.trim()}” is not a number with a unit that is known here. Type for example 375, 37.5 cm or 14 3/4 in.`;
  return REFUSALS[reason];
}

const REFUSALS: Record<Exclude<Refusal, 'not-a-number' | 'unknown-unit'>, string> = {
  empty: 'Nothing typed yet.',
  'two-decimal-marks': 'There are two decimal marks. Use one, and no marks for thousands: 1250.5.',
  'ambiguous-comma': 'This comma could mean thousands or decimals. Write 1250 or 1.25.',
  'zero-denominator': 'A fraction cannot have 0 below the line.',
  'fraction-over-one': 'The fraction is one or more. Carry it into the whole: 15 1/4, not 14 5/4.',
  'unit-order': 'Feet come first, then inches: 1\' 2 3/4".',
};
