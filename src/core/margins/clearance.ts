import type { Answer } from '../planning/answerShape.ts';
import { part } from '../calculation/part.ts';
import { distanceAfter, gainsAt, knownClearance } from '../stance/clearance.ts';
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
  return answer.document.corners[id].clearances.map((_, k) => {
    const { one, atMm, assumed } = knownClearance(answer, id, k);
    const { name, nowMm, leastMm } = one;
    const sinceMm = risenMm - atMm;
    const gain = gainsAt(one, sinceMm);
    return {
      which: { by: 'name', name },
      leftMm: distanceAfter(one, sinceMm) - leastMm,
      rangeMm: Math.max(nowMm, 10),
      sdMm: Math.abs(gain) * riseSdMm(sinceMm),
      assumed,
      inputs: () => [
        part('d', nowMm, 'length', 'measured'),
        part('g', gain, 'gain', assumed ? 'assumed' : one.perMm === null ? 'measured' : 'sheet'),
        part('Δh', sinceMm, 'length', 'computed'),
        part('least', leastMm, 'length', 'sheet'),
      ],
    };
  });
}
