import type { Obstacle, Runout } from '#core/rack/verdict.ts';
import type { Unusable } from '#core/rack/problem.ts';

/** What stands in the way, as it is said after a spring's name. */
export const obstacleWords: Record<Obstacle, string> = {
  none: 'nothing stands in the way',
  'room-short': 'too short for the room: the seat would have to come further in',
  'room-long': 'too long for the room: the seat would have to back off further',
  'sag-little': 'it would use too little travel in one of the load cases',
  'sag-much': 'it would use too much travel in one of the load cases',
  seated: 'it would hang loose at full droop',
  'ring-out': 'the ring does not reach the place where it would be wanted',
  'ring-touches': 'the slider would stand on its ring at rest',
  'bound-first': 'the upper coils would be solid before the ring',
  coil: 'its coils would touch before full bump',
  load: 'it would carry more than it may at full bump',
  bump: 'too little bump is left to the stop in one of the load cases',
};

export const unusableWords: Record<Unusable, string> = {
  rate: 'its rate is not known: give it, or wire, coils and inner diameter',
  free: 'its free length is not known',
  inner: 'its inner diameter does not fit',
  stock: 'there are not enough of it in stock',
};

export const runoutWords: Record<Runout, string> = {
  thread: 'thread',
  sag: 'sag window',
  seated: 'seated at droop',
  coil: 'coil space',
  bump: 'bump to the stop',
};
