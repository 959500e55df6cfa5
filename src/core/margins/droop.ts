import { isTravelGuessed, travelUsed } from './travelUsed.ts';
import { isDamperRead } from './damper.ts';
import { sagWindowAt } from '../document/sagWish.ts';
import type { LoadMargin } from './margin.ts';

/** Wheel travel used: what it can still extend before it tops out. */
export const droop: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  // What is left was measured at the damper: a travel that is taken for granted has nothing to add.
  left: (place, standing) =>
    isDamperRead(place, 'openMm') && isTravelGuessed(place)
      ? []
      : [
          {
            leftMm: standing.travelMm,
            rangeMm: place.corner.spec.travelMm.value,
            sdMm: standing.travelSdMm,
            assumed: isTravelGuessed(place),
            // Where a sag is wanted, its window says how much is enough.
            tight: sagWindowAt(place.answer.document, place.corner.id) ? 0 : undefined,
            inputs: () => travelUsed(place, standing),
          },
        ],
};
