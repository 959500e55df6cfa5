import type { JobDocument } from '../document/types.ts';
import { input } from '../calculation/input.ts';
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
      name: `slider ${after + 1}`,
      leftMm: limit - used,
      rangeMm: Math.max(corner.springAt(corner.zMax) / 2, 1),
      sdMm: travelSdMm * ratio,
      assumed,
      inputs: () => [
        input('c₀', 'compression at which the ring stops it, without preload', limitMm, 'length', 'sheet'),
        ...(on === 'body'
          ? [input('p', 'preload: the ring stays on the body', preloadMm, 'length', 'computed')]
          : []),
        ...(ringsMm[j]
          ? [input('m', 'ring moved towards the springs', ringsMm[j] ?? 0, 'length', 'computed')]
          : []),
        input('F', 'spring force where it rests', springForceN, 'force', 'computed'),
        input('u', 'springs before the ring are compressed', used, 'length', 'computed'),
      ],
    };
  });
}
