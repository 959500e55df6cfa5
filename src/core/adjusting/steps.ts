import { collarAfter, thread } from './thread.ts';
import type { Way } from './way.ts';

/** In steps of a height that somebody gives: grooves, leaves, shims, spacers. */
export const steps: Way = {
  ...thread,
  oneMore: ({ spec }) => spec.stepMm.value,
  told: (standing, by) => ({
    ...thread.told(standing, by),
    steps: Math.round(by / standing.spec.stepMm.value),
    stopAtMm: collarAfter(standing, by),
  }),
};
