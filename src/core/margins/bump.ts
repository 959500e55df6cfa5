import { part } from '../calculation/part.ts';
import { isTravelGuessed, travelUsed } from './travelUsed.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin, Place } from './margin.ts';

/** Wheel travel left until the bump stop is touched. */
export const bumpStop: LoadMargin = {
  byLoad: true,
  tight: 0.15,
  left: (place, standing) => {
    const { stopMm } = place.corner.spec;
    const metal = toMetal(place, standing);
    return [
      {
        ...metal,
        leftMm: metal.leftMm - stopMm.value,
        assumed: metal.assumed || stopMm.source === 'assumed',
        inputs: () => [...metal.inputs(), part('s', stopMm.value, 'length', stopMm.source)],
      },
    ];
  },
};

/** Wheel travel left until metal. */
export const bumpMetal: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: (place, standing) => [toMetal(place, standing)],
};

function toMetal(place: Place, standing: Standing): Left {
  const { travelMm: travel } = place.corner.spec;
  return {
    leftMm: travel.value - standing.travelMm,
    rangeMm: travel.value,
    sdMm: standing.travelSdMm,
    assumed: isTravelGuessed(place) || travel.source === 'assumed',
    inputs: () => [part('z max', travel.value, 'length', travel.source), ...travelUsed(place, standing)],
  };
}
