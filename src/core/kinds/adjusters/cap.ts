import { plain, type Adjuster } from './adjuster.ts';

/** A fork with a preload adjuster in its cap. */
export const cap: Adjuster = {
  ...plain,
  title: 'fork cap',
  does: 'sets preload, and with it height',
  on: ['bikes'],
  bikeEnd: 'front',
  goes: { by: 'thread' },
  inFork: true,
};
