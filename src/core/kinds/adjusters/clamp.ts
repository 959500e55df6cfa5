import { plain, type Adjuster } from './adjuster.ts';

/** A fork with caps, whose tubes also slide in their clamps. */
export const clamp: Adjuster = {
  ...plain,
  title: 'fork cap, tubes in the clamps',
  does: 'tubes set height alone, the cap preload too',
  on: ['bikes'],
  bikeEnd: 'front',
  goes: { by: 'thread' },
  beside: 'tubes in clamps',
  inFork: true,
  cautions: ['clamps'],
};
