import { plain, type Adjuster } from './adjuster.ts';

/** A spring on the arm, apart from the damper, with a threaded seat. */
export const apart: Adjuster = {
  ...plain,
  title: 'spring apart on the arm',
  does: 'the seat moves the spring only, at its own ratio',
  on: ['wheels'],
  goes: { by: 'thread' },
  cautions: ['thread'],
  springRatio: 'asked',
};
