import { strut, doubleWishbone, solidAxle, axleInboard } from '../ratioRanges.ts';
import { onFourWheels } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A truck or 4x4. */
export const truck: Machine = {
  title: 'truck or 4x4',
  footing: 'wheels',
  ...onFourWheels,
  corners: ['LF', 'RF', 'LR', 'RR'],
  wheelbaseMm: 3300,
  trackMm: { front: 1640, rear: 1640 },
  pitchMm: 2.5,
  travelMm: { front: 230, rear: 250 },
  restShare: 0.4,
  stopMm: 45,
  toleranceMm: 6,
  massKg: 2150,
  frontShare: 0.54,
  tyreRateNPerMm: 280,
  unsprungKg: 60,
  referenceKind: { front: 'hub-arch', rear: 'hub-arch' },
  suspensions: {
    front: { strut, 'double-wishbone': doubleWishbone, 'solid-axle': solidAxle },
    rear: { 'solid-axle': solidAxle, 'axle-inboard': axleInboard },
  },
  collarAt: { front: 'above', rear: 'above' },
  ownRise: 0.09,
  rider: null,
  rough: false,
  ringsUsual: false,
  sagHabits: [],
  sagAtShaft: null,
};
