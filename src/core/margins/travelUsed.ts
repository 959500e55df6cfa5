import { part } from '../calculation/part.ts';
import { restParts } from '../calculation/restParts.ts';
import type { Part } from '../calculation/part.ts';
import type { Standing } from '../stance/standing.ts';
import type { Place } from './margin.ts';

/** Whether where a wheel stands along its travel is only the class's guess. */
export function isTravelGuessed({ corner }: Place): boolean {
  return corner.travelNow.source === 'assumed';
}

/** What the travel used was worked out from; what it rests by is no evidence of a place that is only assumed. */
export function travelUsed(place: Place, standing: Standing): Part[] {
  const { travelMm } = standing;
  return isTravelGuessed(place)
    ? [part('z', travelMm, 'length', 'assumed', 'usual')]
    : [
        ...restParts(place.answer.machine, place.corner.id, standing),
        part('z', travelMm, 'length', 'computed'),
      ];
}
