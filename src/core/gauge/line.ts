import { FaultList, type Checked } from '../faults.ts';
import { MM_PER_INCH } from '../units/formatLength.ts';

/** One line of an instrument: what it is called, what it reads, and whether it has come to rest. */
export interface GaugeReading {
  name: string;
  /** Lengths in mm, weights in kg, pressures in bar. */
  value: number;
  kind: 'length' | 'mass' | 'pressure';
  steady: boolean;
}

const units: Record<string, { kind: GaugeReading['kind']; scale: number }> = {
  mm: { kind: 'length', scale: 1 },
  cm: { kind: 'length', scale: 10 },
  in: { kind: 'length', scale: MM_PER_INCH },
  kg: { kind: 'mass', scale: 1 },
  lb: { kind: 'mass', scale: 0.45359237 },
  bar: { kind: 'pressure', scale: 1 },
  psi: { kind: 'pressure', scale: 0.0689475729 },
};

const NAME_LENGTH = 60;
/** in its own unit. No instrument of a workshop reads more. */
const MOST = 1e6;

/**
 * Reads one line of the instrument protocol, `{"name": "rear height", "unit": "mm", "value": 512.4, "steady": true}`, and
 * gives it in the units used inside. Fields that are not known are left alone; every fault is named.
 */
export function readGaugeLine(text: string): Checked<GaugeReading> {
  const faults = new FaultList();
  let line: unknown;
  try {
    line = JSON.parse(text);
  } catch (error) {
    faults.add('', text, { be: 'json-line', because: (error as Error).message });
    return { ok: false, faults: faults.faults };
  }
  const { name, unit, value, steady } = (typeof line === 'object' && line !== null ? line : {}) as Record<
    string,
    unknown
  >;
  const known = typeof unit === 'string' ? units[unit] : undefined;
  if (typeof name !== 'string' || name.trim() === '' || name.length > NAME_LENGTH)
    faults.add('name', name, { be: 'name', most: NAME_LENGTH });
  if (!known) faults.add('unit', unit, { be: 'one-of', values: Object.keys(units) });
  faults.number('value', value, { min: -MOST, max: MOST });
  if (typeof steady !== 'boolean') faults.add('steady', steady, { be: 'one-of', values: ['true', 'false'] });
  if (faults.faults.length > 0 || !known) return { ok: false, faults: faults.faults };
  return {
    ok: true,
    value: {
      name: (name as string).trim(),
      value: (value as number) * known.scale,
      kind: known.kind,
      steady: steady as boolean,
    },
  };
}
