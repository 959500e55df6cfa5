import { plain, type Adjuster } from './adjuster.ts';

/** Spacers over a fork's spring. */
export const spacer: Adjuster = {
  ...plain,
  title: 'preload spacers',
  does: 'cut or added, a few millimetres at a time',
  on: ['bikes'],
  bikeEnd: 'front',
  goes: { by: 'steps', step: { one: 'spacer', many: 'spacers' }, counted: 'more or fewer' },
  inFork: true,
};
