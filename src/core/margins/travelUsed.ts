import { input } from '../calculation/input.ts';
import { restInputs } from '../calculation/restInputs.ts';
import type { SumInput } from '../calculation/types.ts';
import type { Standing } from '../stance/standing.ts';
import type { Place } from './margin.ts';

/** Whether where a wheel stands along its travel is only the class's guess. */
export function isTravelGuessed({ corner }: Place): boolean {
  return corner.travelNow.source === 'assumed';
}

/** What the travel used was worked out from; what it rests by is no evidence of a place that is only assumed. */
export function travelUsed(place: Place, standing: Standing): SumInput[] {
  const { travelMm } = standing;
  const usual = 'wheel travel used: the usual place, and what it has moved since';
  return isTravelGuessed(place)
    ? [input('z', usual, travelMm, 'length', 'assumed')]
    : [
        ...restInputs(place.answer.machine, place.corner.id, standing),
        input('z', 'wheel travel used', travelMm, 'length', 'computed'),
      ];
}
