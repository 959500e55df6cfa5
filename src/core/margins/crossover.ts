import { sliderWhich } from '../document/which.ts';
import type { JobDocument } from '../document/types.ts';
import { part } from '../calculation/part.ts';
import { trustOf } from './springTrust.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin } from './margin.ts';

/**
 * Way of each slider to its ring where the machine rests. On the ring already there is none left: the seat behind it
 * no longer acts.
 */
export const crossover: LoadMargin = {
  byLoad: true,
  tight: 0.1,
  left: (place, standing) => {
    const trust = trustOf(place, standing);
    return trust ? crossovers(place.answer.document, standing, trust.assumed || trust.loadAssumed) : [];
  },
};

function crossovers(
  document: JobDocument,
  { id, corner, preloadMm, springsMm, ringsMm, travelSdMm, ratio, springForceN }: Standing,
  assumed: boolean,
): Left[] {
  return document.corners[id].rings.map(({ after, limitMm, on }, j) => {
    const limit = limitMm - (ringsMm[j] ?? 0) + (on === 'body' ? preloadMm : 0);
    const used = springsMm.slice(0, after + 1).reduce((sum, mm) => sum + mm, 0);
    return {
      which: sliderWhich(after),
      leftMm: limit - used,
      rangeMm: Math.max(corner.springAt(corner.zMax) / 2, 1),
      sdMm: travelSdMm * ratio,
      assumed,
      inputs: () => [
        part('c₀', limitMm, 'length', 'sheet'),
        ...(on === 'body' ? [part('p', preloadMm, 'length', 'computed')] : []),
        ...(ringsMm[j] ? [part('m', ringsMm[j] ?? 0, 'length', 'computed')] : []),
        part('F', springForceN, 'force', 'computed'),
        part('u', used, 'length', 'computed'),
      ],
    };
  });
}
