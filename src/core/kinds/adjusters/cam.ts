import { plain, type Adjuster } from './adjuster.ts';

/** Torsion springs of a skid, wound up by a cam of numbered positions. */
export const cam: Adjuster = {
  ...plain,
  title: 'torsion spring, cam',
  does: 'goes from position to position',
  on: ['sleds'],
  goes: { by: 'positions' },
  brings: 'torsion',
};
