/** A habit of setting sag: what is measured, and between what it should lie. Presets, to be edited, not dogma. */
export interface SagWindow {
  id: string;
  title: string;
  /** Static sag is the machine alone; rider sag is with the rider in full gear, in riding posture. */
  of: 'static' | 'rider';
  /** Where it is read: wheel travel, or travel of the damper's shaft. */
  at: 'wheel' | 'shaft';
  unit: 'mm' | 'share of travel';
  low: number;
  high: number;
  why: string;
}

/** Every habit; which are met on a machine, and the usual one among them, its class says. */
export const sagWindows: readonly SagWindow[] = [
  {
    id: 'third',
    title: 'a third',
    of: 'rider',
    at: 'wheel',
    unit: 'share of travel',
    low: 0.3,
    high: 0.36,
    why: 'dual-purpose: room to extend into holes, two thirds for hits',
  },
  {
    id: 'road',
    title: 'a quarter to a third',
    of: 'rider',
    at: 'wheel',
    unit: 'share of travel',
    low: 0.25,
    high: 0.33,
    why: 'road: keeps the geometry where it was drawn',
  },
  {
    id: 'sport',
    title: '30 to 40 mm',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 30,
    high: 40,
    why: 'sport road machines',
  },
  {
    id: 'scooter',
    title: 'fixed 20 mm',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 17,
    high: 23,
    why: 'short travel: a percentage would leave nothing',
  },
  {
    id: 'sled-rear',
    title: '50 to 75 mm',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 50,
    high: 75,
    why: 'sled rear from topped out; less for aggressive riders',
  },
  {
    id: 'sled-rear-deep',
    title: '75 to 90 mm',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 75,
    high: 90,
    why: 'sled rear, the deeper school: lighter skis, more comfort',
  },
  {
    id: 'ski',
    title: '19 to 25 mm at the shaft',
    of: 'static',
    at: 'shaft',
    unit: 'mm',
    low: 19,
    high: 25,
    why: 'ski shocks, machine alone',
  },
  {
    id: 'plush',
    title: 'plush half',
    of: 'rider',
    at: 'wheel',
    unit: 'share of travel',
    low: 0.45,
    high: 0.52,
    why: 'comfort first, on smooth ground',
  },
  {
    id: 'firm',
    title: 'firm inch',
    of: 'rider',
    at: 'wheel',
    unit: 'mm',
    low: 20,
    high: 30,
    why: 'smooth tracks and big loads',
  },
  {
    id: 'static-road',
    title: '5 to 15 mm',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 5,
    high: 15,
    why: 'road bikes, machine alone',
  },
  {
    id: 'static-scooter',
    title: '3 to 10 mm',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 3,
    high: 10,
    why: 'scooters, machine alone: enough that it does not top out',
  },
  {
    id: 'static-offroad',
    title: '25 to 40 mm',
    of: 'static',
    at: 'wheel',
    unit: 'mm',
    low: 25,
    high: 40,
    why: 'off-road bikes, machine alone',
  },
];

/** A window of a job, mm of wheel travel, as one to read a sag against. */
export function windowOf({ fromMm, toMm }: { fromMm: number; toMm: number }, of: SagWindow['of']): SagWindow {
  return {
    id: 'own',
    title: 'own',
    of,
    at: 'wheel',
    unit: 'mm',
    low: fromMm,
    high: toMm,
    why: 'asked for',
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
