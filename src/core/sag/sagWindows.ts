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
  },
  {
    id: 'scooter',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 17,
    high: 23,
  },
  {
    id: 'sled-rear',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 50,
    high: 75,
  },
  {
    id: 'sled-rear-deep',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 75,
    high: 90,
  },
  {
    id: 'ski',
    of: 'static',
    at: 'shaft',
    unit: 'mm',
    low: 19,
    high: 25,
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
  },
  {
    id: 'static-road',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 5,
    high: 15,
  },
  {
    id: 'static-scooter',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 3,
    high: 10,
  },
  {
    id: 'static-offroad',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 25,
    high: 40,
  },
] as const satisfies readonly SagWindow[];

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
