import { aArms, swingArm } from '../ratioRanges.ts';
import { onFourWheels } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A quad: two front wheels on arms of their own, and a swing arm behind with one damper on the centre line. */
export const quad: Machine = {
  title: 'quad',
  footing: 'wheels',
  ...onFourWheels,
  corners: ['LF', 'RF', 'RM'],
  wheelbaseMm: 1280,
  trackMm: { front: 980, rear: 930 },
  pitchMm: 1.75,
  travelMm: { front: 220, rear: 235 },
  restShare: 0.33,
  stopMm: 25,
  toleranceMm: 6,
  massKg: 275,
  frontShare: 0.46,
  tyreRateNPerMm: 70,
  unsprungKg: 14,
  referenceKind: { front: 'ground-chassis', rear: 'ground-chassis' },
  suspensions: { front: { 'a-arms': aArms }, rear: { 'swing-arm': swingArm } },
  collarAt: { front: 'above', rear: 'above' },
  ownRise: 0.12,
  rider: { rearShare: 0.56 },
  rough: true,
  ringsUsual: false,
  sagHabits: ['third', 'firm', 'static-offroad'],
  sagAtShaft: null,
};
