import Fraction from 'fraction.js';
import { normalise, parseAmount, splitSign, type Refusal } from './amount.ts';

/** The two systems a reader can work in. Internally every length is in mm. */
export type LengthSystem = 'mm' | 'in';

export type ParsedLength = { ok: true; mm: number; writtenIn: LengthSystem } | { ok: false; reason: Refusal };

const MM_PER: Record<string, Fraction> = {
  mm: new Fraction(1),
  cm: new Fraction(10),
  in: new Fraction(254, 10),
  ft: new Fraction(3048, 10),
};

const UNIT_WORDS: Record<string, string> = {
  mm: 'mm', millimetre: 'mm', millimetres: 'mm', millimeter: 'mm', millimeters: 'mm',
  cm: 'cm', centimetre: 'cm', centimetres: 'cm', centimeter: 'cm', centimeters: 'cm',
  in: 'in', 'in.': 'in', inch: 'in', inches: 'in', '"': 'in',
  ft: 'ft', 'ft.': 'ft', foot: 'ft', feet: 'ft', "'": 'ft',
}; // oxfmt-ignore

/**
 * Reads a length the way people write it: `14 3/4`, `14-3/4`, `14.75"`, `1' 2 3/4"`, `375`, `375mm`, `37,5 cm`.
 * A bare whole or decimal number takes `bareUnit`; a bare fraction is inches whatever the field shows,
 * because nobody writes fractions of a millimetre. Exact until the last step to mm.
 */
export function parseLength(text: string, bareUnit: LengthSystem): ParsedLength {
  const { sign, rest } = splitSign(normalise(text));
  const result = parseUnsigned(rest, bareUnit);
  if (typeof result === 'string') return { ok: false, reason: result };
  const mm = result.mm.valueOf() * sign;
  return { ok: true, mm: mm === 0 ? 0 : mm, writtenIn: result.writtenIn };
}

interface Exact {
  mm: Fraction;
  writtenIn: LengthSystem;
}

function parseUnsigned(text: string, bareUnit: LengthSystem): Exact | Refusal {
  if (text === '') return 'empty';
  const feet = /^([^'a-z"]+?)\s*(?:'|ft\.?|foot|feet)\s*(.+)$/.exec(text);
  if (feet) return feetAndInches((feet[1] ?? '').trim(), (feet[2] ?? '').replace(/^-\s*/, ''));
  const match = /^([^a-z"']*)(.*)$/.exec(text);
  const amount = parseAmount((match?.[1] ?? '').trim());
  const unitWord = (match?.[2] ?? '').trim();
  if (typeof amount === 'string') return amount === 'empty' ? 'not-a-number' : amount;
  if (unitWord === '') {
    const unit = amount.fractional ? 'in' : bareUnit;
    return { mm: amount.value.mul(perUnit(unit)), writtenIn: unit };
  }
  const unit = UNIT_WORDS[unitWord];
  if (unit === undefined) return unknownUnit(unitWord);
  return { mm: amount.value.mul(perUnit(unit)), writtenIn: unit === 'in' || unit === 'ft' ? 'in' : 'mm' };
}

function unknownUnit(word: string): Refusal {
  return /["']|in|ft/.test(word) && /\d/.test(word)
    ? 'unit-order'
    : /\d/.test(word)
      ? 'not-a-number'
      : 'unknown-unit';
}

function feetAndInches(feetText: string, inchText: string): Exact | Refusal {
  const feet = parseAmount(feetText);
  if (typeof feet === 'string') return feet;
  const inchMatch = /^([^a-z"']+?)\s*(?:"|in\.?|inch|inches)?$/.exec(inchText);
  if (!inchMatch) return 'unit-order';
  const inches = parseAmount((inchMatch[1] ?? '').trim());
  if (typeof inches === 'string') return inches;
  return { mm: feet.value.mul(perUnit('ft')).add(inches.value.mul(perUnit('in'))), writtenIn: 'in' };
}

function perUnit(unit: string): Fraction {
  const factor = MM_PER[unit];
  if (factor === undefined) throw new Error(`expected a known length unit, got ${unit}`);
  return factor;
}
