import type { ReferenceKind } from '../geometry/reference.ts';

/** Machine classes on four coil-overs. */
export type MachineClass = 'car' | 'truck' | 'side-by-side';
export type Axle = 'front' | 'rear';

/** What is assumed for a class until somebody says better. Always marked as assumed on screen. */
export interface ClassDefaults {
  title: string;
  wheelbaseMm: number;
  trackMm: Record<Axle, number>;
  /** Damper per wheel. */
  ratio: Record<Axle, number>;
  pitchMm: number;
  /** Wheel travel from full droop to metal. */
  travelMm: Record<Axle, number>;
  /** Share of the wheel travel used at rest. */
  restShare: number;
  /** Wheel travel left at which the bump stop is first touched. */
  stopMm: number;
  toleranceMm: number;
  /** Whole machine, and the share of it on the front axle. */
  massKg: number;
  frontShare: number;
  tyreRateNPerMm: number;
  /** One wheel with its brake and half its arms. */
  unsprungKg: number;
  referenceKind: ReferenceKind;
}

/** Assumed values per class: middle-of-the-road figures for the kind, not those of any one machine. */
export const classDefaults: Record<MachineClass, ClassDefaults> = {
  car: {
    title: 'car',
    wheelbaseMm: 2600,
    trackMm: { front: 1500, rear: 1500 },
    ratio: { front: 0.95, rear: 0.9 },
    pitchMm: 2,
    travelMm: { front: 150, rear: 160 },
    restShare: 0.45,
    stopMm: 35,
    toleranceMm: 6,
    massKg: 1250,
    frontShare: 0.52,
    tyreRateNPerMm: 220,
    unsprungKg: 38,
    referenceKind: 'hub-arch',
  },
  truck: {
    title: 'truck or 4x4',
    wheelbaseMm: 3300,
    trackMm: { front: 1640, rear: 1640 },
    ratio: { front: 0.6, rear: 0.85 },
    pitchMm: 2.5,
    travelMm: { front: 230, rear: 250 },
    restShare: 0.4,
    stopMm: 45,
    toleranceMm: 13,
    massKg: 2150,
    frontShare: 0.54,
    tyreRateNPerMm: 280,
    unsprungKg: 60,
    referenceKind: 'hub-arch',
  },
  'side-by-side': {
    title: 'side-by-side',
    wheelbaseMm: 2950,
    trackMm: { front: 1630, rear: 1630 },
    ratio: { front: 0.5, rear: 0.75 },
    pitchMm: 2.5,
    travelMm: { front: 450, rear: 460 },
    restShare: 0.4,
    stopMm: 50,
    toleranceMm: 25,
    massKg: 820,
    frontShare: 0.44,
    tyreRateNPerMm: 110,
    unsprungKg: 32,
    referenceKind: 'ground-chassis',
  },
};

export const machineClasses = Object.keys(classDefaults) as MachineClass[];
