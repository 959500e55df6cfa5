import Fraction from 'fraction.js';

/** Why a typed number could not be read. A closed list: what each is called is said where it is shown. */
export type Refusal =
  | 'empty'
  | 'not-a-number'
  | 'two-decimal-marks'
  | 'ambiguous-comma'
  | 'zero-denominator'
  | 'fraction-over-one'
  | 'unknown-unit'
  | 'unit-order';

export interface Amount {
  /** The exact value. */
  value: Fraction;
  /** Whether it was written with a fraction bar. */
  fractional: boolean;
}

const GLYPHS: Record<string, string> = {
  '¼': '1/4', '½': '1/2', '¾': '3/4', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8',
}; // oxfmt-ignore

const MIXED = /^(\d+)(?:\s+|\s*-\s*)(\d+)\s*\/\s*(\d+)$/;
const SIMPLE = /^(\d+)\s*\/\s*(\d+)$/;
const DECIMAL = /^(?:\d+(?:\.\d*)?|\.\d+)$/;

/** Brings the many ways of writing marks, dashes and fraction glyphs to one; lower case, single blanks. */
export function normalise(text: string): string {
  return text
    .replace(/[¼½¾⅛⅜⅝⅞]/g, (glyph) => ` ${GLYPHS[glyph] ?? ''}`)
    .replace(/[−–—]/g, '-')
    .replace(/⁄/g, '/')
    .replace(/[″”“]|''/g, '"')
    .replace(/[′’‘]/g, "'")
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase();
}

/** Reads an unsigned amount without unit: whole, decimal (dot or comma), fraction or mixed number. Exact. */
export function parseAmount(text: string): Amount | Refusal {
  if (text === '') return 'empty';
  if (text.length > 40) return 'not-a-number';
  const mixed = MIXED.exec(text);
  if (mixed) return fromParts(mixed[1] ?? '0', mixed[2] ?? '', mixed[3] ?? '');
  const simple = SIMPLE.exec(text);
  if (simple) return fromParts('0', simple[1] ?? '', simple[2] ?? '');
  return parseDecimal(text);
}

function fromParts(whole: string, numerator: string, denominator: string): Amount | Refusal {
  if (/^0+$/.test(denominator)) return 'zero-denominator';
  const part = new Fraction(BigInt(numerator), BigInt(denominator));
  // "14 5/4" is far more often a slip than a wish; a plain 5/4 stands.
  if (Number(whole) > 0 && part.compare(1) >= 0) return 'fraction-over-one';
  return { value: part.add(new Fraction(BigInt(whole), 1n)), fractional: true };
}

function parseDecimal(text: string): Amount | Refusal {
  const marks = text.match(/[.,]/g) ?? [];
  if (marks.length > 1) return 'two-decimal-marks';
  if (/^[1-9]\d{0,2},\d{3}$/.test(text)) return 'ambiguous-comma';
  const dotted = text.replace(',', '.');
  if (!DECIMAL.test(dotted)) return 'not-a-number';
  const [whole = '', decimals = ''] = dotted.split('.');
  const value = new Fraction(BigInt((whole || '0') + decimals), 10n ** BigInt(decimals.length));
  return { value, fractional: false };
}

/** Splits a leading sign off. */
export function splitSign(text: string): { sign: 1 | -1; rest: string } {
  if (text.startsWith('-')) return { sign: -1, rest: text.slice(1).trim() };
  if (text.startsWith('+')) return { sign: 1, rest: text.slice(1).trim() };
  return { sign: 1, rest: text };
}
