/** What stands in the way of a combination, in the order it is looked at. */
export const obstacles = [
  'none',
  'room-short',
  'room-long',
  'sag-little',
  'sag-much',
  'seated',
  'ring-out',
  'ring-touches',
  'bound-first',
  'coil',
  'load',
  'bump',
] as const;

export type Obstacle = (typeof obstacles)[number];

/** What another place of the ring may mend. */
export const ofTheRing: ReadonlySet<Obstacle> = new Set<Obstacle>([
  'sag-little',
  'sag-much',
  'ring-out',
  'ring-touches',
  'bound-first',
  'coil',
  'load',
  'bump',
]);

/** What may run out first of a combination that does it. */
export type Runout = 'thread' | 'sag' | 'seated' | 'coil' | 'bump';

/** Ranges in mm that make margins of different kinds comparable: this much left counts as plenty. */
export const PLENTY = { coil: 40, seated: 30, bump: 60 } as const;
