import { plain, type Adjuster } from './adjuster.ts';

/** Torsion springs of a skid, wound up by a cam of numbered positions. */
export const cam: Adjuster = {
  ...plain,
  title: 'cam or quick adjuster',
  does: 'torsion springs, wound from position to position',
  on: ['sleds'],
  goes: { by: 'positions' },
  brings: 'torsion',
};
