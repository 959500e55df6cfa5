import type { Answer } from '../planning/answerShape.ts';
import { part } from '../calculation/part.ts';
import { riseSdMm } from './riseSd.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin } from './margin.ts';

/**
 * A shaft of length L hanging down outwards by an angle a hangs at sin a' = sin a + rise / L once its inner end has risen:
 * what is left is the rise that brings it to its most, L (sin most - sin a').
 */
export const joint: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: ({ answer }, standing) => jointsLeft(answer, standing),
};

function jointsLeft({ document }: Answer, { id, risenMm }: Standing): Left[] {
  const sine = (degrees: number) => Math.sin((degrees * Math.PI) / 180);
  return document.corners[id].boots.map(({ name, nowDeg, mostDeg, shaftMm }) => {
    const then = Math.min(Math.max(sine(nowDeg) + risenMm / shaftMm, -1), 1);
    const thenDeg = (Math.asin(then) * 180) / Math.PI;
    return {
      which: { by: 'name', name },
      leftMm: shaftMm * (sine(mostDeg) - then),
      rangeMm: Math.max(shaftMm * sine(mostDeg), 10),
      sdMm: riseSdMm(risenMm),
      assumed: false,
      inputs: () => [
        part('a', nowDeg, 'angle', 'measured'),
        part('L', shaftMm, 'length', 'sheet'),
        part('Δh', risenMm, 'length', 'computed'),
        part('a′', thenDeg, 'angle', 'computed'),
        part('most', mostDeg, 'angle', 'sheet'),
      ],
    };
  });
}
