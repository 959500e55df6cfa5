import type { ReferenceKind } from '../geometry/reference.ts';

export type MachineClass =
  'car' | 'truck' | 'side-by-side' | 'snowmobile' | 'motorcycle' | 'dual-purpose' | 'scooter';
export type Axle = 'front' | 'rear';

/** What is assumed for a class until somebody says better. Always marked as assumed on screen. */
export interface ClassDefaults {
  title: string;
  wheelbaseMm: number;
  trackMm: Record<Axle, number>;
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
  referenceKind: Record<Axle, ReferenceKind>;
}

/** Assumed values per class: middle-of-the-road figures for the kind, not those of any one machine. */
export const classDefaults: Record<MachineClass, ClassDefaults> = {
  car: {
    title: 'car',
    wheelbaseMm: 2600,
    trackMm: { front: 1500, rear: 1500 },
    pitchMm: 2,
    travelMm: { front: 150, rear: 160 },
    restShare: 0.45,
    stopMm: 35,
    toleranceMm: 6,
    massKg: 1250,
    frontShare: 0.52,
    tyreRateNPerMm: 220,
    unsprungKg: 38,
    referenceKind: { front: 'hub-arch', rear: 'hub-arch' },
  },
  truck: {
    title: 'truck or 4x4',
    wheelbaseMm: 3300,
    trackMm: { front: 1640, rear: 1640 },
    pitchMm: 2.5,
    travelMm: { front: 230, rear: 250 },
    restShare: 0.4,
    stopMm: 45,
    toleranceMm: 13,
    massKg: 2150,
    frontShare: 0.54,
    tyreRateNPerMm: 280,
    unsprungKg: 60,
    referenceKind: { front: 'hub-arch', rear: 'hub-arch' },
  },
  'side-by-side': {
    title: 'side-by-side',
    wheelbaseMm: 2950,
    trackMm: { front: 1630, rear: 1630 },
    pitchMm: 2.5,
    travelMm: { front: 450, rear: 460 },
    restShare: 0.4,
    stopMm: 50,
    toleranceMm: 25,
    massKg: 820,
    frontShare: 0.44,
    tyreRateNPerMm: 110,
    unsprungKg: 32,
    referenceKind: { front: 'ground-chassis', rear: 'ground-chassis' },
  },
  snowmobile: {
    title: 'snowmobile',
    wheelbaseMm: 1500,
    trackMm: { front: 1060, rear: 0 },
    pitchMm: 2,
    travelMm: { front: 240, rear: 330 },
    restShare: 0.25,
    stopMm: 30,
    toleranceMm: 6,
    massKg: 260,
    frontShare: 0.4,
    tyreRateNPerMm: 400,
    unsprungKg: 12,
    referenceKind: { front: 'shaft', rear: 'bumper-ground' },
  },
  motorcycle: {
    title: 'motorcycle',
    wheelbaseMm: 1430,
    trackMm: { front: 0, rear: 0 },
    pitchMm: 1.5,
    travelMm: { front: 125, rear: 130 },
    restShare: 0.3,
    stopMm: 15,
    toleranceMm: 3,
    massKg: 275,
    frontShare: 0.48,
    tyreRateNPerMm: 170,
    unsprungKg: 17,
    referenceKind: { front: 'shaft', rear: 'axle-mark' },
  },
  'dual-purpose': {
    title: 'dual-purpose motorcycle',
    wheelbaseMm: 1480,
    trackMm: { front: 0, rear: 0 },
    pitchMm: 1.5,
    travelMm: { front: 230, rear: 235 },
    restShare: 0.33,
    stopMm: 25,
    toleranceMm: 4,
    massKg: 245,
    frontShare: 0.46,
    tyreRateNPerMm: 150,
    unsprungKg: 16,
    referenceKind: { front: 'shaft', rear: 'axle-mark' },
  },
  scooter: {
    title: 'scooter',
    wheelbaseMm: 1300,
    trackMm: { front: 0, rear: 0 },
    pitchMm: 1.5,
    travelMm: { front: 85, rear: 80 },
    restShare: 0.3,
    stopMm: 12,
    toleranceMm: 3,
    massKg: 195,
    frontShare: 0.4,
    tyreRateNPerMm: 150,
    unsprungKg: 11,
    referenceKind: { front: 'shaft', rear: 'axle-mark' },
  },
};

export const machineClasses = Object.keys(classDefaults) as MachineClass[];
