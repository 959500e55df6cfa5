import type { PracticeLevel } from '#core/practiceKinds.ts';

/** How hard a drawn machine is. Lengths in mm at the wheel; shares are one standard deviation of what is drawn. */
export interface Level {
  /** What the job's sheet says of how it is hung: the ratio as measured, only how, or nothing. */
  told: 'ratio' | 'suspension' | 'nothing';
  /** How far the heights open from what is wanted, least and most. */
  openMm: readonly [number, number];
  /** Whether every corner is off the same way. */
  alike: boolean;
  /** Scale of everything that departs from the sheet. */
  departs: number;
  /** Most that friction holds. */
  frictionMm: readonly [number, number];
  /** One standard deviation of the tape itself. */
  tapeSdMm: number;
  /** mm that the tolerance is wider than the class's usual one. */
  toleranceByMm: number;
  /** What springs will lose on the road, most; 0 where they are old. */
  lossMm: number;
  /** How uneven the floor is, most. */
  floorMm: number;
  faults: number;
}

/** From the first day to nasty. */
export const levelRules: Record<PracticeLevel, Level> = {
  'first-day': {
    told: 'ratio',
    openMm: [12, 20],
    alike: true,
    departs: 0.3,
    frictionMm: [0.4, 0.9],
    tapeSdMm: 0.4,
    toleranceByMm: 3,
    lossMm: 0,
    floorMm: 0,
    faults: 0,
  },
  'second-week': {
    told: 'suspension',
    openMm: [12, 22],
    alike: false,
    departs: 0.6,
    frictionMm: [0.8, 1.8],
    tapeSdMm: 0.6,
    toleranceByMm: 1.5,
    lossMm: 0,
    floorMm: 1,
    faults: 0,
  },
  'on-your-own': {
    told: 'suspension',
    openMm: [15, 28],
    alike: false,
    departs: 1,
    frictionMm: [1.2, 2.5],
    tapeSdMm: 0.8,
    toleranceByMm: 1,
    lossMm: 4,
    floorMm: 3,
    faults: 0,
  },
  hard: {
    told: 'nothing',
    openMm: [18, 32],
    alike: false,
    departs: 1,
    frictionMm: [1.5, 3],
    tapeSdMm: 1,
    toleranceByMm: 1,
    lossMm: 4,
    floorMm: 4,
    faults: 1,
  },
  nasty: {
    told: 'nothing',
    openMm: [22, 38],
    alike: false,
    departs: 1.3,
    frictionMm: [2, 3.5],
    tapeSdMm: 1,
    toleranceByMm: 1,
    lossMm: 6,
    floorMm: 6,
    faults: 2,
  },
};
