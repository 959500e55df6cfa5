import type { Fit } from '../estimate/fit.ts';
import type { CornerId } from '../kinds/corners.ts';

/** A spring put in place of the one that is fitted. */
export interface Swap {
  /** mm that it is longer, unloaded; a spacer under the seat does the same. */
  longerMm: number;
  /** Times the rate. */
  rateScale: number;
}

export type Swaps = Partial<Record<CornerId, Swap>>;

/** The machine as the readings have it, with other springs in: all else that was learnt of it stays. */
export function withSwaps(learnt: Fit, corners: readonly CornerId[], swaps: Swaps): Fit {
  if (Object.keys(swaps).length === 0) return learnt;
  const settings = learnt.values.settings.map((setting, i) => {
    const swap = swaps[corners[i] as CornerId];
    if (!swap) return setting;
    return {
      ...setting,
      preloadOffBy: setting.preloadOffBy + swap.longerMm,
      springScales: setting.springScales.map((scale) => scale * swap.rateScale),
    };
  });
  return { ...learnt, values: { ...learnt.values, settings } };
}
