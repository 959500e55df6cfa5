import { part } from '../calculation/part.ts';
import { isDamperRead } from './damper.ts';
import { isTravelGuessed, travelUsed } from './travelUsed.ts';
import { trustOf } from './springTrust.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin, Place } from './margin.ts';

/** Wheel travel left until the bump stop is touched; nothing is said of a stop that coils touch before. */
export const bumpStop: LoadMargin = {
  byLoad: true,
  tight: 0.15,
  left: (place, standing) => {
    if (isMeasuredThere(place)) return [];
    const { stopMm, travelMm } = place.corner.spec;
    const metal = toMetal(place, standing);
    const leftMm = travelMm.value - stopMm.value - standing.travelMm;
    if (leftMm > metal.leftMm) return [];
    return [
      {
        ...metal,
        leftMm,
        assumed: metal.assumed || stopMm.source === 'assumed',
        inputs: () => [
          part('z max', travelMm.value, 'length', travelMm.source),
          ...travelUsed(place, standing),
          part('s', stopMm.value, 'length', stopMm.source),
        ],
      },
    ];
  },
};

/** Wheel travel left until metal: the end of travel, or coils that touch before it. */
export const bumpMetal: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: (place, standing) => (isMeasuredThere(place) ? [] : [toMetal(place, standing)]),
};

/** Measured at the damper, what is left needs no travel that is taken for granted. */
function isMeasuredThere(place: Place): boolean {
  return isDamperRead(place, 'closedMm') && isTravelGuessed(place);
}

/** mm. Coils that touch no further than this before the end of travel touch there. */
const SAME_END_MM = 0.05;

function toMetal(place: Place, standing: Standing): Left {
  const { travelMm: travel } = place.corner.spec;
  const boundMm = standing.travelMm + standing.bumpLeftMm;
  const bound = boundMm < travel.value - SAME_END_MM;
  const endMm = bound ? boundMm : travel.value;
  const onGuess = bound && (trustOf(place, standing)?.assumed ?? true);
  return {
    leftMm: endMm - standing.travelMm,
    rangeMm: travel.value,
    sdMm: standing.travelSdMm,
    assumed: isTravelGuessed(place) || travel.source === 'assumed' || onGuess,
    inputs: () => [
      part('z max', endMm, 'length', bound ? 'computed' : travel.source, bound ? 'coils' : undefined),
      ...travelUsed(place, standing),
    ],
  };
}
