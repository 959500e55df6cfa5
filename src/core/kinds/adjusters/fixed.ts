import { everywhere, plain, type Adjuster } from './adjuster.ts';

/** A perch that cannot be moved. */
export const fixed: Adjuster = {
  ...plain,
  title: 'fixed',
  does: 'nothing is moved',
  on: everywhere,
  goes: { by: 'nothing' },
};
