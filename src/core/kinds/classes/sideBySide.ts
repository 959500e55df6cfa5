import { longTrailingArm, aArms } from '../ratioRanges.ts';
import { onFourWheels } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A side-by-side. */
export const sideBySide: Machine = {
  title: 'side-by-side',
  footing: 'wheels',
  ...onFourWheels,
  corners: ['LF', 'RF', 'LR', 'RR'],
  wheelbaseMm: 2950,
  trackMm: { front: 1630, rear: 1630 },
  pitchMm: 2.5,
  travelMm: { front: 450, rear: 460 },
  restShare: 0.4,
  stopMm: 50,
  toleranceMm: 6,
  massKg: 820,
  frontShare: 0.44,
  tyreRateNPerMm: 110,
  unsprungKg: 32,
  referenceKind: { front: 'ground-chassis', rear: 'ground-chassis' },
  suspensions: {
    front: { 'a-arms': aArms },
    rear: { 'a-arms': aArms, 'trailing-arm': longTrailingArm },
  },
  collarAt: { front: 'above', rear: 'above' },
  ownRise: 0.13,
  rider: null,
  rough: false,
  ringsUsual: true,
  sagHabits: [],
  sagAtShaft: null,
};
