import Fraction from 'fraction.js';
import { normalise, parseAmount, splitSign } from './amount.ts';
import type { LengthSystem } from './parseLength.ts';
import type { ParsedNumber } from './turns.ts';

export const measureNames = [
  'mass', 'rate', 'force', 'pressure', 'share', 'distance', 'volume', 'chamber', 'area', 'torsion', 'angleGain', 'torque',
] as const; // oxfmt-ignore
export type MeasureName = (typeof measureNames)[number];

/** Units that a reader may choose beside those of the two systems. */
const ownUnits = { pressure: ['kpa'], rate: ['kg/mm'] } as const;
type OwnUnits = typeof ownUnits;

/** What a quantity is read and shown in: the units of either system, or one of its own. */
export type UnitsOf<N extends MeasureName> =
  | LengthSystem
  | (N extends keyof OwnUnits ? OwnUnits[N][number] : never);
export type MeasureUnits = UnitsOf<MeasureName>;

/** All units that a quantity can be shown in. */
export function unitsOf(name: MeasureName): readonly MeasureUnits[] {
  return ['mm', 'in', ...(name === 'pressure' || name === 'rate' ? ownUnits[name] : [])];
}

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

const INCH_MM = new Fraction(254, 10);
const CUBIC_INCH_MM3 = INCH_MM.mul(INCH_MM).mul(INCH_MM);

/**
 * Masses in kg, spring rates in N/mm, forces in N, gauge pressures in bar, shares of one, distances driven in km, tanks in
 * litres (US gallons), chambers in cm3, areas in mm2, torsion rates in N mm a degree, angles gained in degrees per mm, torques
 * of bolts in N m.
 */
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
  // 1 mile is 1 609.344 m, 1 US gallon 231 cubic inches.
  distance: {
    units: { km: new Fraction(1), mi: new Fraction(1609344, 1000000) },
    bare: { mm: 'km', in: 'mi' },
  },
  volume: {
    units: { l: new Fraction(1), gal: CUBIC_INCH_MM3.mul(231).div(1000000) },
    bare: { mm: 'l', in: 'gal' },
  },
  chamber: {
    units: { 'cm³': new Fraction(1), 'in³': CUBIC_INCH_MM3.div(1000) },
    bare: { mm: 'cm³', in: 'in³' },
  },
  area: {
    units: { 'mm²': new Fraction(1), 'in²': INCH_MM.mul(INCH_MM) },
    bare: { mm: 'mm²', in: 'in²' },
  },
  torsion: {
    units: { 'n·mm/°': new Fraction(1), 'lb·in/°': LBF_N.mul(INCH_MM) },
    bare: { mm: 'n·mm/°', in: 'lb·in/°' },
  },
  angleGain: {
    units: { '°/mm': new Fraction(1), '°/in': new Fraction(1).div(INCH_MM) },
    bare: { mm: '°/mm', in: '°/in' },
  },
  // 1 lb ft is 12 lb in.
  torque: {
    units: { n·m: new Fraction(1), lb·ft: LBF_N.mul(INCH_MM).mul(12).div(1000) },
    bare: { mm: 'n·m', in: 'lb·ft' },
  },
};

const ALIASES: Record<string, string> = {
  kgs: 'kg', lbs: 'lb', pounds: 'lb', '#': 'lb',
  'lbs/in': 'lb/in', 'lb/"': 'lb/in', 'lbf/in': 'lb/in', 'kgf/mm': 'kg/mm', percent: '%',
  miles: 'mi', mile: 'mi', litres: 'l', litre: 'l', liters: 'l', liter: 'l', gallons: 'gal', gallon: 'gal',
  cm3: 'cm³', cc: 'cm³', in3: 'in³', cuin: 'in³', nm: 'n·m', 'lb-ft': 'lb·ft', 'ft-lb': 'lb·ft', lbft: 'lb·ft', ftlb: 'lb·ft', mm2: 'mm²', in2: 'in²', sqin: 'in²',
}; // oxfmt-ignore

const WRITTEN: Record<string, string> = {
  l: 'L',
  n: 'N',
  kpa: 'kPa',
  'n/mm': 'N/mm',
  'n·mm/°': 'N·mm/°',
  n·m: 'N·m',
};

/** Reads a mass, rate or share: `250 kg`, `551 lb`, `600 lb/in`, `54 %`; a bare number takes the reader's unit. */
export function parseMeasure(name: MeasureName, text: string, shown: MeasureUnits): ParsedNumber {
  const { sign, rest } = splitSign(normalise(text));
  const match = /^([\d\s.,/-]*\d[.,]?)\s*([^\d\s.,].*)?$/.exec(rest);
  if (rest === '') return { ok: false, reason: 'empty' };
  const amount = parseAmount((match?.[1] ?? rest).trim());
  if (typeof amount === 'string') return { ok: false, reason: amount };
  const word = (match?.[2] ?? '').replace(/\s/g, '');
  const { units } = measures[name];
  const factor = units[word === '' ? unitOf(name, shown) : (ALIASES[word] ?? word)];
  if (!factor) return { ok: false, reason: 'unknown-unit' };
  return { ok: true, value: amount.value.mul(factor).valueOf() * sign };
}

function unitOf(name: MeasureName, shown: MeasureUnits): string {
  return shown === 'mm' || shown === 'in' ? measures[name].bare[shown] : shown;
}

/** The number to show for a value, and its unit, for a reader of either system or of a unit of the quantity's own. */
export function inReadersUnit(
  name: MeasureName,
  value: number,
  units: MeasureUnits,
): { value: number; unit: string } {
  const unit = unitOf(name, units);
  return { value: value / (measures[name].units[unit] as Fraction).valueOf(), unit: WRITTEN[unit] ?? unit };
}

/** In the reader's unit: "105 N/mm", "600 lb/in"; two figures of it at least. */
export function measureIn(name: MeasureName, value: number, units: MeasureUnits): string {
  const shown = inReadersUnit(name, value, units);
  const size = Math.abs(shown.value);
  const decimals = size >= 10 || size === 0 ? 1 : Math.min(1 - Math.floor(Math.log10(size)), 4);
  return `${Number(shown.value.toFixed(decimals))} ${shown.unit}`;
}

/** In both systems: "105 N/mm · 600 lb/in". */
export function measureText(name: MeasureName, value: number): string {
  const one = (system: LengthSystem) => measureIn(name, value, system);
  return name === 'share' ? one('mm') : `${one('mm')} · ${one('in')}`;
}
