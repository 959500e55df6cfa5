import { fork, linkage, swingArm } from '../ratioRanges.ts';
import { onTwoWheels } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A road motorcycle. */
export const motorcycle: Machine = {
  title: 'motorcycle',
  footing: 'bikes',
  ...onTwoWheels,
  corners: ['FW', 'RW'],
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
  suspensions: { front: { fork }, rear: { linkage, 'swing-arm': swingArm } },
  collarAt: { front: 'above', rear: 'above' },
  ownRise: 0.13,
  rider: { rearShare: 0.58 },
  rough: false,
  ringsUsual: false,
  sagHabits: ['road', 'sport', 'plush', 'firm', 'static-road'],
  sagAtShaft: null,
};
