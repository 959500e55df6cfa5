import Fraction from 'fraction.js';
import { normalise, parseAmount, splitSign } from './amount.ts';
import type { LengthSystem } from './parseLength.ts';
import type { ParsedNumber } from './turns.ts';

export type MeasureName = 'mass' | 'rate' | 'force' | 'pressure' | 'share';

interface Measure {
  /** What one of each unit is in the core's unit. The first is that unit. */
  units: Record<string, Fraction>;
  /** What a bare number means, for a reader of either system. */
  bare: Record<LengthSystem, string>;
}

const POUND_KG = new Fraction(45359237, 100000000);
// 1 lbf = 4.4482216152605 N exactly.
const LBF_N = new Fraction(44482216152605n, 10000000000000n);
const LB_IN = LBF_N.div(new Fraction(254, 10));

/** Masses in kg, spring rates in N/mm, forces in N, gauge pressures in bar, shares of one. */
const measures: Record<MeasureName, Measure> = {
  mass: { units: { kg: new Fraction(1), lb: POUND_KG }, bare: { mm: 'kg', in: 'lb' } },
  rate: {
    units: { 'n/mm': new Fraction(1), 'lb/in': LB_IN, 'kg/mm': new Fraction(980665, 100000) },
    bare: { mm: 'n/mm', in: 'lb/in' },
  },
  force: { units: { n: new Fraction(1), lbf: LBF_N }, bare: { mm: 'n', in: 'lbf' } },
  // 1 psi is 1 lbf on a square inch; 1 N/mm2 is 10 bar.
  pressure: {
    units: {
      bar: new Fraction(1),
      psi: LBF_N.div(new Fraction(64516, 100)).mul(10),
      kpa: new Fraction(1, 100),
    },
    bare: { mm: 'bar', in: 'psi' },
  },
  share: { units: { '': new Fraction(1), '%': new Fraction(1, 100) }, bare: { mm: '%', in: '%' } },
};

const ALIASES: Record<string, string> = {
  kgs: 'kg', lbs: 'lb', pounds: 'lb', '#': 'lb',
  'lbs/in': 'lb/in', 'lb/"': 'lb/in', 'lbf/in': 'lb/in', 'kgf/mm': 'kg/mm', percent: '%',
}; // prettier-ignore

const WRITTEN: Record<string, string> = { n: 'N', 'n/mm': 'N/mm' };

/** Reads a mass, rate or share: `250 kg`, `551 lb`, `600 lb/in`, `54 %`; a bare number takes the reader's unit. */
export function parseMeasure(name: MeasureName, text: string, system: LengthSystem): ParsedNumber {
  const { sign, rest } = splitSign(normalise(text));
  const match = /^([\d\s.,/-]*\d[.,]?)\s*([^\d\s.,].*)?$/.exec(rest);
  if (rest === '') return { ok: false, reason: 'empty' };
  const amount = parseAmount((match?.[1] ?? rest).trim());
  if (typeof amount === 'string') return { ok: false, reason: amount };
  const word = (match?.[2] ?? '').replace(/\s/g, '');
  const { units, bare } = measures[name];
  const factor = units[word === '' ? bare[system] : (ALIASES[word] ?? word)];
  if (!factor) return { ok: false, reason: 'unknown-unit' };
  return { ok: true, value: amount.value.mul(factor).valueOf() * sign };
}

/** The number to show for a value, and its unit, for a reader of either system. */
export function inReadersUnit(
  name: MeasureName,
  value: number,
  system: LengthSystem,
): { value: number; unit: string } {
  const { units, bare } = measures[name];
  const unit = bare[system];
  return { value: value / (units[unit] as Fraction).valueOf(), unit: WRITTEN[unit] ?? unit };
}

/** In both systems: "105 N/mm · 600 lb/in". */
export function measureText(name: MeasureName, value: number): string {
  const one = (system: LengthSystem) => {
    const shown = inReadersUnit(name, value, system);
    return `${Number(shown.value.toFixed(1))} ${shown.unit}`;
  };
  return name === 'share' ? one('mm') : `${one('mm')} · ${one('in')}`;
}
