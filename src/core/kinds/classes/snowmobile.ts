import { onSkis } from '../seeTo.ts';
import type { Machine } from './machine.ts';

/** A snowmobile: two skis, and a skid on two arms. */
export const snowmobile: Machine = {
  title: 'snowmobile',
  footing: 'sleds',
  ...onSkis,
  corners: ['LS', 'RS', 'FA', 'RA'],
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
  suspensions: {
    front: { 'ski-arms': [0.55, 0.8] },
    rear: { 'skid-arms': [0.45, 0.65] },
  },
  collarAt: { front: 'above', rear: 'above' },
  ownRise: 0.06,
  rider: { rearShare: 0.68 },
  rough: true,
  ringsUsual: false,
  sagHabits: ['sled-rear', 'sled-rear-deep', 'ski', 'plush'],
  sagAtShaft: 'front',
};
