import { everywhere, plain, type Adjuster } from './adjuster.ts';

/** An air spring. */
export const air: Adjuster = {
  ...plain,
  title: 'air pressure',
  does: 'more air lifts and stiffens',
  on: everywhere,
  goes: { by: 'pressure' },
  brings: 'air',
};
