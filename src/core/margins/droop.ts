import { isTravelGuessed, travelUsed } from './travelUsed.ts';
import type { LoadMargin } from './margin.ts';

/** Wheel travel used: what it can still extend before it tops out. */
export const droop: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: (place, standing) => [
    {
      leftMm: standing.travelMm,
      rangeMm: place.corner.spec.travelMm.value,
      sdMm: standing.travelSdMm,
      assumed: isTravelGuessed(place),
      inputs: () => travelUsed(place, standing),
    },
  ],
};
