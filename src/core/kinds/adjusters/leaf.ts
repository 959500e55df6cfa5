import { plain, type Adjuster } from './adjuster.ts';

/** A pack of leaves on the axle: one more or one fewer. */
export const leaf: Adjuster = {
  ...plain,
  title: 'leaf pack',
  does: 'a leaf more lifts by what was measured',
  on: ['wheels'],
  goes: { by: 'steps', step: { one: 'leaf', many: 'leaves' }, counted: 'more or fewer' },
  // It sits on the axle, whatever the damper's own ratio is.
  springRatio: 1,
};
