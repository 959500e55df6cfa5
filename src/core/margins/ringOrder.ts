import { sliderWhich, springWhich } from '../document/which.ts';
import type { JobDocument } from '../document/types.ts';
import { part } from '../calculation/part.ts';
import { tolerances } from '../tolerances.ts';
import { trustOf, type Trust } from './springTrust.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin } from './margin.ts';

/**
 * What the coils before each ring could still close when it takes over. Less than nothing, and they are solid first:
 * metal on metal in place of a crossover.
 */
export const ringOrder: LoadMargin = {
  byLoad: true,
  tight: 0.05,
  left: (place, standing) => {
    const trust = trustOf(place, standing);
    return trust ? beforeSolid(place.answer.document, standing, trust) : [];
  },
};

function beforeSolid(
  document: JobDocument,
  { id, corner, preloadMm, ringsMm }: Standing,
  { assumed, preloadSd }: Trust,
): Left[] {
  const { stack } = corner;
  const { springs, rings } = document.corners[id];
  if (!stack) return [];
  return rings.flatMap(({ after, limitMm, on }, j): Left[] => {
    const ways = springs.slice(0, after + 1).map(wayToSolid);
    if (ways.every((way) => way === Infinity)) return [];
    const at = stack.events.find(({ kind, index }) => kind === 'ring' && index === after);
    const limit = limitMm - (ringsMm[j] ?? 0) + (on === 'body' ? preloadMm : 0);
    const leftMm = at
      ? Math.min(
          ...ways.map((way, i) =>
            springs[i]?.tender ? Infinity : way - stack.springCompression(i, at.compressionMm),
          ),
        )
      : ways.reduce((sum, way) => sum + way, 0) - limit;
    if (!Number.isFinite(leftMm)) return [];
    const rangeMm = Math.max(...ways.filter(Number.isFinite));
    const inputs = () => [
      part('u', limit, 'length', 'computed'),
      ...ways.flatMap((way, i) =>
        Number.isFinite(way)
          ? [part(`w${i + 1}`, way, 'length', 'sheet', springWhich(springs[i]?.name, i))]
          : [],
      ),
    ];
    return [
      {
        which: sliderWhich(after),
        leftMm,
        rangeMm,
        // A ring on the body lets its springs close by the preload as well; its own place is read with a tape.
        sdMm: Math.hypot(on === 'body' ? preloadSd : 0, tolerances.tapeSdMm),
        assumed,
        inputs,
      },
    ];
  });
}

function wayToSolid({
  freeLengthMm,
  solidLengthMm,
}: JobDocument['corners']['LF']['springs'][number]): number {
  return freeLengthMm === null || solidLengthMm === null ? Infinity : freeLengthMm - solidLengthMm;
}
