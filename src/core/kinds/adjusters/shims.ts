import { everywhere, plain, type Adjuster } from './adjuster.ts';

/** Shims or packers of one thickness under a spring's seat: any number of them, one on the other. */
export const shims: Adjuster = {
  ...plain,
  title: 'shims or packers',
  does: 'one more or fewer under the seat, each of one thickness',
  on: everywhere,
  goes: { by: 'steps', step: { one: 'shim', many: 'shims' }, counted: 'more or fewer' },
  cautions: ['top-nut'],
};
