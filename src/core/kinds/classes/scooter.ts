import { fork, swingArm } from '../ratioRanges.ts';
import { onTwoWheels } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A scooter. */
export const scooter: Machine = {
  title: 'scooter',
  footing: 'bikes',
  ...onTwoWheels,
  corners: ['FW', 'RW'],
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
  suspensions: { front: { fork }, rear: { 'swing-arm': swingArm } },
  collarAt: { front: 'above', rear: 'below' },
  ownRise: 0.09,
  rider: { rearShare: 0.64 },
  rough: false,
  ringsUsual: false,
  sagHabits: ['scooter', 'plush', 'firm', 'static-scooter'],
  sagAtShaft: null,
};
