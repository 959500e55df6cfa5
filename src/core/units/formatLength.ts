import type { LengthSystem } from './parseLength.ts';

export const MM_PER_INCH = 25.4;

export type Denominator = 8 | 16 | 32;

export interface LengthStyle {
  system: LengthSystem;
  /** Finest fraction shown in inches. */
  denominator: Denominator;
  /** Decimals shown in mm. */
  decimals: number;
}

/** A number taken apart for typesetting: sign, whole (or decimal) digits, and a reduced fraction or null. */
export interface NumberParts {
  negative: boolean;
  digits: string;
  fraction: { numerator: number; denominator: number } | null;
}

/**
 * mm (metric: to `decimals`; inches: to the nearest 1/`denominator`, halves away from zero) into parts. What was read in
 * 64ths or in thousandths of an inch is shown as it was read, however coarse the fractions are otherwise.
 */
export function lengthParts(mm: number, style: LengthStyle): NumberParts {
  if (style.system === 'mm') return decimalParts(mm, style.decimals);
  return inchesAsRead(mm) ?? fractionParts(mm / MM_PER_INCH, style.denominator);
}

/** Inches. Nearer than this to a 64th or a thousandth, a length was read as such: what is worked out falls there only by chance. */
const AS_READ = 1e-6;

/** A length that was read off a tape or a caliper in inches, as it reads there; null of any other. */
function inchesAsRead(mm: number): NumberParts | null {
  const inches = mm / MM_PER_INCH;
  const isOn = (steps: number) => Math.abs(inches * steps - Math.round(inches * steps)) < AS_READ * steps;
  if (isOn(64)) return fractionParts(inches, 64);
  return isOn(1000) ? decimalParts(inches, 3) : null;
}

/** The length that is shown for a length, mm: what readers subtract from. */
export function shownLength(mm: number, { system, decimals, denominator }: LengthStyle): number {
  if (system === 'in' && inchesAsRead(mm)) return mm;
  const step = system === 'mm' ? 10 ** -decimals : MM_PER_INCH / denominator;
  return Math.round(mm / step) * step;
}

/** A plain number to `decimals`, trailing zeros dropped, never "-0". */
export function decimalParts(value: number, decimals: number): NumberParts {
  const scale = 10 ** decimals;
  const rounded = Math.round(Math.abs(value) * scale + 1e-9) / scale;
  return { negative: value < 0 && rounded !== 0, digits: String(rounded), fraction: null };
}

/** A plain number to the nearest 1/`denominator`, reduced; halves go away from zero. */
export function fractionParts(value: number, denominator: number): NumberParts {
  const steps = Math.round(Math.abs(value) * denominator + 1e-9);
  const whole = Math.floor(steps / denominator);
  const divisor = greatestCommonDivisor(steps % denominator, denominator);
  const numerator = (steps % denominator) / divisor;
  return {
    negative: value < 0 && steps !== 0,
    digits: whole === 0 && numerator !== 0 ? '' : String(whole),
    fraction: numerator === 0 ? null : { numerator, denominator: denominator / divisor },
  };
}

function greatestCommonDivisor(a: number, b: number): number {
  return a === 0 ? b : greatestCommonDivisor(b % a, a);
}

/** Parts as typeable text with an ASCII sign: "14 3/4", "-0.5". What this gives, `parseLength` reads. */
export function partsToInput(parts: NumberParts): string {
  const fraction = parts.fraction ? `${parts.fraction.numerator}/${parts.fraction.denominator}` : '';
  return (parts.negative ? '-' : '') + [parts.digits, fraction].filter(Boolean).join(' ');
}

/** Parts as reading text with a true minus: "−14 3/4". */
export function partsToText(parts: NumberParts): string {
  return partsToInput(parts).replace('-', '−');
}

/** A length in words ready to read, with unit: "375 mm", "14 3/4 in". */
export function lengthText(mm: number, style: LengthStyle): string {
  return `${bareLength(mm, style)} ${style.system}`;
}

/** The same without its unit, where a neighbour shows it. */
export function bareLength(mm: number, style: LengthStyle): string {
  return partsToText(lengthParts(mm, style));
}

/** Both systems at once, as echoed beside a field: "374.65 mm · 14 3/4 in". */
export function bothSystems(mm: number, denominator: Denominator): string {
  const metric = lengthText(mm, { system: 'mm', denominator, decimals: 2 });
  const inches = lengthText(mm, { system: 'in', denominator, decimals: 2 });
  return `${metric} · ${inches}`;
}

/** A small length too fine for fractions: "1.6 mm", "0.063 in"; unsigned where `signed` is false, else with its sign. */
export function fineLengthText(mm: number, system: LengthStyle['system'], signed = false): string {
  const size = Math.abs(mm);
  const text = system === 'mm' ? `${size.toFixed(1)} mm` : `${(size / MM_PER_INCH).toFixed(3)} in`;
  return signed ? `${mm < 0 ? '−' : '+'}${text}` : text;
}

/** A length that no tape read (a thread, a wire, a spring): mm to the hundredth, inches to the thousandth, or coarser. */
export function sizeParts(mm: number, { system }: Pick<LengthStyle, 'system'>, decimals = 2): NumberParts {
  return system === 'mm' ? decimalParts(mm, decimals) : decimalParts(mm / MM_PER_INCH, decimals + 1);
}

/** The same in words, with its unit: "1.75 mm", "0.069 in". */
export function sizeText(mm: number, system: LengthStyle['system']): string {
  return `${bareSize(mm, system)} ${system}`;
}

/** The same without its unit, where a neighbour shows it. */
export function bareSize(mm: number, system: LengthStyle['system']): string {
  return partsToText(sizeParts(mm, { system }));
}
