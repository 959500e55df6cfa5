import type { Answer } from '../planning/answerShape.ts';
import { part } from '../calculation/part.ts';
import { nearestCorner } from '../stance/lowPoints.ts';
import { riseSdMm } from './riseSd.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin } from './margin.ts';

/** Low points of the body that lie nearest to a corner, over the ground. */
export const ground: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: ({ answer }, standing) => groundLeft(answer, standing),
};

function groundLeft({ document }: Answer, { id, bodyRise }: Standing): Left[] {
  return document.stance.points.flatMap((point): Left[] => {
    const { name, xMm, yMm, nowMm, leastMm } = point;
    if (leastMm === null || nearestCorner({ document }, point) !== id) return [];
    const risenMm = bodyRise(xMm, yMm);
    return [
      {
        which: { by: 'name', name },
        leftMm: nowMm + risenMm - leastMm,
        rangeMm: Math.max(nowMm, 10),
        sdMm: riseSdMm(risenMm),
        assumed: false,
        inputs: () => [
          part('d', nowMm, 'length', 'measured'),
          part('Δh', risenMm, 'length', 'computed'),
          part('least', leastMm, 'length', 'sheet'),
        ],
      },
    ];
  });
}
