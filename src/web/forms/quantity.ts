import { springWay } from '#words/instruction.ts';
import { explainRefusal } from '#words/refusals.ts';
import {
  bothSystems,
  decimalParts,
  fractionParts,
  lengthParts,
  MM_PER_INCH,
  partsToInput,
  sizeParts,
  sizeText,
  type LengthStyle,
} from '#core/units/formatLength.ts';
import {
  inReadersUnit,
  measureText,
  parseMeasure,
  type MeasureName,
  type MeasureUnits,
} from '#core/units/measure.ts';
import { parseLength } from '#core/units/parseLength.ts';
import { parseNumber, parseRatio } from '#core/units/ratio.ts';
import { ratioText } from '#words/ratio.ts';
import { parseTurns, turnsText } from '#core/units/turns.ts';

export type QuantityName = 'length' | 'size' | 'turns' | 'ratio' | 'number' | MeasureName;

/** How the reader writes lengths, and what a quantity of another kind is read and shown in where not in the same system. */
export interface FieldStyle extends LengthStyle {
  units?: MeasureUnits | undefined;
}

export type Read = { ok: true; value: number } | { ok: false; why: string };

/** How one kind of number is read, written, echoed and stepped. Values are mm, turns, or damper per wheel. */
export interface Quantity {
  read: (text: string, style: FieldStyle) => Read;
  /** Text to put into the field, such that reading it gives the value shown. */
  write: (value: number, style: FieldStyle) => string;
  /** How a value was understood, in words. */
  echo: (value: number, style: FieldStyle) => string;
  unit: (style: FieldStyle) => string;
  step: (style: FieldStyle) => number;
}

const refused = (reason: Parameters<typeof explainRefusal>[0], text: string): Read => ({
  ok: false,
  why: explainRefusal(reason, text),
});

/** Decimals of a field in each of its units; those of the first where others are not said. */
type Decimals = { mm: number } & Partial<Record<MeasureUnits, number>>;

const measured = (name: MeasureName, step: number, decimals: Decimals): Quantity => ({
  read: (text, { system, units = system }) => {
    const parsed = parseMeasure(name, text, units);
    return parsed.ok ? { ok: true, value: parsed.value } : refused(parsed.reason, text);
  },
  write: (value, { system, units = system }) =>
    partsToInput(decimalParts(inReadersUnit(name, value, units).value, decimals[units] ?? decimals.mm)),
  echo: (value) => measureText(name, value),
  unit: ({ system, units = system }) => inReadersUnit(name, 0, units).unit,
  step: () => step,
});

export const quantities: Record<QuantityName, Quantity> = {
  mass: measured('mass', 1, { mm: 1 }),
  force: measured('force', 10, { mm: 0 }),
  pressure: measured('pressure', 0.1, { mm: 1, kpa: 0 }),
  number: {
    read: (text) => {
      const parsed = parseNumber(text);
      return parsed.ok ? { ok: true, value: parsed.value } : refused(parsed.reason, text);
    },
    write: (value) => partsToInput(decimalParts(value, 3)),
    echo: (value) => String(Number(value.toFixed(3))),
    unit: () => '',
    step: () => 1,
  },
  rate: measured('rate', 1, { mm: 2, 'kg/mm': 3 }),
  distance: measured('distance', 10, { mm: 0, in: 1 }),
  volume: measured('volume', 0.5, { mm: 1, in: 2 }),
  chamber: measured('chamber', 1, { mm: 1, in: 2 }),
  area: measured('area', 1, { mm: 1, in: 3 }),
  torsion: measured('torsion', 1, { mm: 1, in: 2 }),
  torque: measured('torque', 1, { mm: 0, in: 0 }),
  angleGain: measured('angleGain', 0.001, { mm: 4, in: 3 }),
  share: measured('share', 0.005, { mm: 1 }),
  length: {
    read: (text, style) => {
      const parsed = parseLength(text, style.system);
      return parsed.ok ? { ok: true, value: parsed.mm } : refused(parsed.reason, text);
    },
    write: (value, style) => partsToInput(lengthParts(value, style)),
    echo: (value, style) => bothSystems(value, style.denominator),
    unit: (style) => style.system,
    step: (style) => (style.system === 'mm' ? 0.5 : MM_PER_INCH / style.denominator),
  },
  // What a caliper or a sheet gives, not a tape: decimals in either system.
  size: {
    read: (text, style) => {
      const parsed = parseLength(text, style.system);
      return parsed.ok ? { ok: true, value: parsed.mm } : refused(parsed.reason, text);
    },
    write: (value, style) => partsToInput(sizeParts(value, style)),
    echo: (value) => `${sizeText(value, 'mm')} · ${sizeText(value, 'in')}`,
    unit: (style) => style.system,
    step: (style) => (style.system === 'mm' ? 0.5 : MM_PER_INCH / 100),
  },
  turns: {
    read: (text) => {
      const parsed = parseTurns(text);
      return parsed.ok ? { ok: true, value: parsed.value } : refused(parsed.reason, text);
    },
    write: (value) => partsToInput(fractionParts(value, 8)),
    echo: (value) => `${turnsText(value)} ${springWay(value)}`,
    unit: () => 'turns',
    step: () => 1 / 8,
  },
  ratio: {
    read: (text) => {
      const parsed = parseRatio(text);
      return parsed.ok ? { ok: true, value: parsed.value } : refused(parsed.reason, text);
    },
    write: (value) => partsToInput(decimalParts(value, 3)),
    echo: (value) => ratioText(value),
    unit: () => '',
    step: () => 0.01,
  },
};

export interface Range {
  min: number;
  max: number;
}

/** Reads and checks a typed number: readable, then possible. */
export function readWithin(text: string, quantity: Quantity, range: Range, style: FieldStyle): Read {
  const read = quantity.read(text, style);
  if (!read.ok) return read;
  // Half a millionth of slack: a limit typed in inches must not miss itself.
  if (read.value >= range.min - 5e-7 && read.value <= range.max + 5e-7) return read;
  const unit = quantity.unit(style);
  const bounds = `${quantity.write(range.min, style)} to ${quantity.write(range.max, style)}${unit ? ` ${unit}` : ''}`;
  return {
    ok: false,
    why: `Not possible here: it must be ${bounds}. Read as ${quantity.echo(read.value, style)}.`,
  };
}
