import { MM_PER_INCH } from '../units/formatLength.ts';
import type { LengthSystem } from '../units/parseLength.ts';

/** A habit of setting sag: what is measured, and between what it should lie. Presets, to be edited, not dogma. */
export interface SagWindow {
  id: string;
  /** Static sag is the machine alone; rider sag is with the rider in full gear, in riding posture. */
  of: 'static' | 'rider';
  /** Where it is read: wheel travel, or travel of the damper's shaft. */
  at: 'wheel' | 'shaft';
  unit: 'mm' | 'share of travel';
  low: number;
  high: number;
  /** The same in inches, in numbers as round as those. */
  inches?: readonly [low: number, high: number];
  /** mm. Limits are rounded to whole ones of these; 1 where left out. */
  stepMm?: number;
}

/** Every habit; which are met on a machine, and the usual one among them, its class says. */
export const sagWindows = [
  {
    id: 'third',
    of: 'rider',
    at: 'wheel',
    unit: 'share of travel',
    low: 0.3,
    high: 0.36,
  },
  {
    id: 'road',
    of: 'rider',
    at: 'wheel',
    unit: 'share of travel',
    low: 0.25,
    high: 0.33,
  },
  {
    id: 'sport',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 30,
    high: 40,
    inches: [1.25, 1.5],
  },
  {
    id: 'scooter',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 17,
    high: 23,
    inches: [0.75, 1],
  },
  {
    id: 'sled-rear',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 50,
    high: 75,
    inches: [2, 3],
  },
  {
    id: 'sled-rear-deep',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 75,
    high: 90,
    inches: [3, 3.5],
  },
  {
    id: 'ski',
    of: 'static',
    at: 'shaft',
    unit: 'mm',
    low: 19,
    high: 25,
    inches: [0.75, 1],
  },
  {
    id: 'plush',
    of: 'rider',
    at: 'wheel',
    unit: 'share of travel',
    low: 0.45,
    high: 0.52,
  },
  {
    id: 'firm',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 20,
    high: 30,
    inches: [0.75, 1.25],
  },
  {
    id: 'static-road',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 5,
    high: 15,
    inches: [0.25, 0.5],
  },
  {
    id: 'static-scooter',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 3,
    high: 10,
    inches: [0.125, 0.375],
  },
  {
    id: 'static-offroad',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 25,
    high: 40,
    inches: [1, 1.5],
  },
] as const satisfies readonly SagWindow[];

/** A sixteenth of an inch, mm. */
const SIXTEENTH_MM = MM_PER_INCH / 16;

/** A window as readers in inches set it: in their own round numbers, limits that are shares to the sixteenth. */
export function inSystem(window: SagWindow, system: LengthSystem): SagWindow {
  if (system === 'mm') return window;
  const [low, high] = window.inches?.map((one) => one * MM_PER_INCH) ?? [window.low, window.high];
  return { ...window, low: low ?? window.low, high: high ?? window.high, stepMm: SIXTEENTH_MM };
}

export type UsualWindow = (typeof sagWindows)[number]['id'];

/** A window of a job, mm of wheel travel, as one to read a sag against. */
export function windowOf({ fromMm, toMm }: { fromMm: number; toMm: number }, of: SagWindow['of']): SagWindow {
  return {
    id: 'own',
    of,
    at: 'wheel',
    unit: 'mm',
    low: fromMm,
    high: toMm,
  };
}

export interface SagReading {
  state: 'in' | 'too little' | 'too much';
  lowMm: number;
  highMm: number;
  /** mm outside the window; 0 inside. */
  offMm: number;
}

/** A sag in mm against a window; `travelMm` is the whole travel at the same place. */
export function readSag(window: SagWindow, sagMm: number, travelMm: number): SagReading {
  const scale = window.unit === 'mm' ? 1 : travelMm;
  const [lowMm, highMm] = [window.low * scale, window.high * scale];
  if (sagMm < lowMm) return { state: 'too little', lowMm, highMm, offMm: lowMm - sagMm };
  if (sagMm > highMm) return { state: 'too much', lowMm, highMm, offMm: sagMm - highMm };
  return { state: 'in', lowMm, highMm, offMm: 0 };
}
