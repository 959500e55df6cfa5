import { FaultList, type Checked } from '../faults.ts';
import { MM_PER_INCH } from '../units/formatLength.ts';

/** One line of an instrument: what it is called, what it reads, and whether it has come to rest. */
export interface GaugeReading {
  name: string;
  /** Lengths in mm, weights in kg, pressures in bar, angles in degrees. */
  value: number;
  kind: GaugeKind;
  /** The unit it came in. */
  unit: string;
  /** Null where the instrument does not say: then it is told from what it streams. */
  steady: boolean | null;
  /** Share of its battery that is left; null where it does not say. */
  battery: number | null;
  /** Its own button was pressed: this is the reading that is meant. */
  sent: boolean;
}

export type GaugeKind = 'length' | 'mass' | 'pressure' | 'angle';

const units: Record<string, { kind: GaugeReading['kind']; scale: number }> = {
  mm: { kind: 'length', scale: 1 },
  cm: { kind: 'length', scale: 10 },
  in: { kind: 'length', scale: MM_PER_INCH },
  kg: { kind: 'mass', scale: 1 },
  lb: { kind: 'mass', scale: 0.45359237 },
  bar: { kind: 'pressure', scale: 1 },
  kPa: { kind: 'pressure', scale: 0.01 },
  psi: { kind: 'pressure', scale: 0.0689475729 },
  deg: { kind: 'angle', scale: 1 },
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
  const { name, unit, value, steady, battery, sent } = (
    typeof line === 'object' && line !== null ? line : {}
  ) as Record<string, unknown>;
  const known = typeof unit === 'string' ? units[unit] : undefined;
  if (typeof name !== 'string' || name.trim() === '' || name.length > NAME_LENGTH)
    faults.add('name', name, { be: 'name', most: NAME_LENGTH });
  if (!known) faults.add('unit', unit, { be: 'one-of', values: Object.keys(units) });
  faults.number('value', value, { min: -MOST, max: MOST });
  if (steady !== undefined && typeof steady !== 'boolean')
    faults.add('steady', steady, { be: 'one-of', values: ['true', 'false'] });
  if (battery !== undefined) faults.number('battery', battery, { min: 0, max: 1 });
  if (faults.faults.length > 0 || !known) return { ok: false, faults: faults.faults };
  return {
    ok: true,
    value: {
      name: (name as string).trim(),
      value: (value as number) * known.scale,
      kind: known.kind,
      unit: unit as string,
      steady: steady === undefined ? null : (steady as boolean),
      battery: battery === undefined ? null : (battery as number),
      sent: sent === true,
    },
  };
}
