import { strut, doubleWishbone, solidAxle, trailingArm, apartOnArm } from '../ratioRanges.ts';
import { onFourWheels } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A car on four wheels. */
export const car: Machine = {
  title: 'car',
  footing: 'wheels',
  ...onFourWheels,
  corners: ['LF', 'RF', 'LR', 'RR'],
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
  suspensions: {
    front: { strut, 'double-wishbone': doubleWishbone, 'apart-on-arm': apartOnArm },
    rear: {
      strut,
      'double-wishbone': doubleWishbone,
      'solid-axle': solidAxle,
      'trailing-arm': trailingArm,
      'apart-on-arm': apartOnArm,
    },
  },
  collarAt: { front: 'below', rear: 'below' },
  ownRise: 0.08,
  rider: null,
  rough: false,
  ringsUsual: false,
  sagHabits: [],
  sagAtShaft: null,
};
