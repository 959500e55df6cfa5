import type { Answer } from '../planning/answerShape.ts';
import { part } from '../calculation/part.ts';
import { distanceAfter, gainsAt, sinceMeasured } from '../stance/clearance.ts';
import { riseSdMm } from './riseSd.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin } from './margin.ts';

/** What somebody measured between two things over the least it must be. */
export const clearance: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: ({ answer }, standing) => clearancesLeft(answer, standing),
};

function clearancesLeft(answer: Answer, { id, risenMm }: Standing): Left[] {
  return answer.document.corners[id].clearances.map((one) => {
    const { name, nowMm, leastMm } = one;
    const sinceMm = sinceMeasured(answer, id, one, risenMm);
    const gain = gainsAt(one, sinceMm);
    return {
      which: { by: 'name', name },
      leftMm: distanceAfter(one, sinceMm) - leastMm,
      rangeMm: Math.max(nowMm, 10),
      sdMm: Math.abs(gain) * riseSdMm(sinceMm),
      assumed: false,
      inputs: () => [
        part('d', nowMm, 'length', 'measured'),
        part('g', gain, 'gain', 'sheet'),
        part('Δh', sinceMm, 'length', 'computed'),
        part('least', leastMm, 'length', 'sheet'),
      ],
    };
  });
}
