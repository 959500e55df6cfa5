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
import { inReadersUnit, measureText, parseMeasure, type MeasureName } from '#core/units/measure.ts';
import { parseLength } from '#core/units/parseLength.ts';
import { parseNumber, parseRatio } from '#core/units/ratio.ts';
import { ratioText } from '#words/ratio.ts';
import { parseTurns, turnsText } from '#core/units/turns.ts';

export type QuantityName = 'length' | 'size' | 'turns' | 'ratio' | 'number' | MeasureName;

export type Read = { ok: true; value: number } | { ok: false; why: string };

/** How one kind of number is read, written, echoed and stepped. Values are mm, turns, or damper per wheel. */
export interface Quantity {
  read: (text: string, style: LengthStyle) => Read;
  /** Text to put into the field, such that reading it gives the value shown. */
  write: (value: number, style: LengthStyle) => string;
  /** How a value was understood, in words. */
  echo: (value: number, style: LengthStyle) => string;
  unit: (style: LengthStyle) => string;
  step: (style: LengthStyle) => number;
}

const refused = (reason: Parameters<typeof explainRefusal>[0], text: string): Read => ({
  ok: false,
  why: explainRefusal(reason, text),
});

const measured = (name: MeasureName, step: number, decimals: number, inInches = decimals): Quantity => ({
  read: (text, { system }) => {
    const parsed = parseMeasure(name, text, system);
    return parsed.ok ? { ok: true, value: parsed.value } : refused(parsed.reason, text);
  },
  write: (value, { system }) =>
    partsToInput(
      decimalParts(inReadersUnit(name, value, system).value, system === 'mm' ? decimals : inInches),
    ),
  echo: (value) => measureText(name, value),
  unit: ({ system }) => inReadersUnit(name, 0, system).unit,
  step: () => step,
});

export const quantities: Record<QuantityName, Quantity> = {
  mass: measured('mass', 1, 1),
  force: measured('force', 10, 0),
  pressure: measured('pressure', 0.1, 1),
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
  rate: measured('rate', 1, 2),
  distance: measured('distance', 10, 0, 1),
  volume: measured('volume', 0.5, 1, 2),
  chamber: measured('chamber', 1, 1, 2),
  area: measured('area', 1, 1, 3),
  torsion: measured('torsion', 1, 1, 2),
  angleGain: measured('angleGain', 0.001, 4, 3),
  share: measured('share', 0.005, 1),
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
export function readWithin(text: string, quantity: Quantity, range: Range, style: LengthStyle): Read {
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
