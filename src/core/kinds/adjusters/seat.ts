import { everywhere, plain, type Adjuster } from './adjuster.ts';

/** A collar on the damper's thread. */
export const seat: Adjuster = {
  ...plain,
  title: 'seat collar',
  does: 'sets height and preload together',
  on: everywhere,
  bikeEnd: 'rear',
  goes: { by: 'thread' },
  onDamper: true,
  cautions: ['thread', 'top-nut'],
};
