import { fork, linkage, swingArm } from '../ratioRanges.ts';
import { onTwoWheels } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A motorcycle for roads and tracks. */
export const dualPurpose: Machine = {
  title: 'dual-purpose motorcycle',
  footing: 'bikes',
  ...onTwoWheels,
  corners: ['FW', 'RW'],
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
  suspensions: { front: { fork }, rear: { linkage, 'swing-arm': swingArm } },
  collarAt: { front: 'above', rear: 'above' },
  ownRise: 0.12,
  rider: { rearShare: 0.6 },
  rough: true,
  ringsUsual: false,
  sagHabits: ['third', 'plush', 'static-offroad'],
  sagAtShaft: null,
};
