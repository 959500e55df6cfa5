import { standardNormal, type Uniform } from '../numerics/random.ts';

/** Instruments that are not there, one program each. */
export const simulatedKinds = ['probe', 'caliper', 'pressure', 'angle', 'toe'] as const;
export type SimulatedKind = (typeof simulatedKinds)[number];

/** What goes wrong with one. */
export interface InstrumentFaults {
  /** Times its usual noise. */
  noise: number;
  /** Seconds of every minute in which nothing comes. */
  dropOutS: number;
  /** What its zero goes by in an hour, in its own unit. */
  driftPerHour: number;
  /** Share of its battery left. */
  battery: number | null;
  /** The unit it sends in; another length unit than its own is converted, anything else is sent as it is. */
  unit: string | null;
}

export const noFaults: InstrumentFaults = {
  noise: 1,
  dropOutS: 0,
  driftPerHour: 0,
  battery: null,
  unit: null,
};

interface Nature {
  name: string;
  unit: 'mm' | 'bar' | 'deg';
  /** Where it stands, one place after another, each for so long. */
  places: readonly number[];
  noise: number;
  decimals: number;
}

const natures: Record<SimulatedKind, Nature> = {
  probe: { name: 'height probe', unit: 'mm', places: [352, 349, 361, 358], noise: 0.08, decimals: 1 },
  caliper: { name: 'caliper', unit: 'mm', places: [70.05, 70.6, 66.2, 66.9], noise: 0.01, decimals: 2 },
  pressure: {
    name: 'pressure gauge',
    unit: 'bar',
    places: [2.3, 2.25, 2.1, 2.12],
    noise: 0.004,
    decimals: 2,
  },
  angle: { name: 'angle gauge', unit: 'deg', places: [-1.2, -1.05, -0.8, -0.9], noise: 0.01, decimals: 2 },
  toe: { name: 'toe gauge', unit: 'mm', places: [1482, 1484.5], noise: 0.1, decimals: 1 },
};

const STAYS_S = 6;
const MOVES_S = 0.5;
const MINUTE_S = 60;
const HOUR_S = 3600;
const perMm: Record<string, number> = { mm: 1, cm: 0.1, in: 1 / 25.4 };

/** What one streams at a time in seconds, as a line of the protocol; null while nothing comes. */
export function simulatedLine(
  kind: SimulatedKind,
  seconds: number,
  uniform: Uniform,
  faults: InstrumentFaults = noFaults,
): object | null {
  const { name, unit, places, noise, decimals } = natures[kind];
  if (faults.dropOutS > 0 && seconds % MINUTE_S > MINUTE_S - faults.dropOutS) return null;
  const at = Math.floor(seconds / STAYS_S);
  const place = (k: number) => places[((k % places.length) + places.length) % places.length] as number;
  // From where it stood before, by e to the minus one in half a second.
  const settled = Math.exp(-(seconds - at * STAYS_S) / MOVES_S);
  const exact = place(at) + (at > 0 ? (place(at - 1) - place(at)) * settled : 0);
  const value =
    exact + (faults.driftPerHour * seconds) / HOUR_S + noise * faults.noise * standardNormal(uniform);
  const sent = faults.unit ?? unit;
  const scale = unit === 'mm' ? (perMm[sent] ?? 1) : 1;
  const digits = 10 ** (sent === 'in' ? decimals + 2 : decimals);
  return {
    name,
    unit: sent,
    value: Math.round(value * scale * digits) / digits,
    ...(faults.battery === null ? {} : { battery: faults.battery }),
  };
}
