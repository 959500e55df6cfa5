import { springWhich } from '../document/which.ts';
import type { JobDocument } from '../document/types.ts';
import { stackOf } from '../machine/corner.ts';
import { part } from '../calculation/part.ts';
import { trustOf, type Trust } from './springTrust.ts';
import type { Standing } from '../stance/standing.ts';
import type { Left, LoadMargin } from './margin.ts';

/**
 * Each spring's way to solid with the wheel at the end of its travel. Where a spring is solid before that, what is
 * missing is told along the stack. A tender is meant to be solid and is left out.
 */
export const coil: LoadMargin = {
  byLoad: true,
  tight: 0.05,
  left: (place, standing) => {
    const trust = trustOf(place, standing);
    return trust ? coilSpace(place.answer.document, standing, trust) : [];
  },
};

function coilSpace(document: JobDocument, { id, corner }: Standing, { assumed, preloadSd }: Trust): Left[] {
  const { stack, description, droopShiftMm } = corner;
  const springs = document.corners[id].springs;
  if (!stack) return [];
  const fullMm = corner.springAt(description.travelMm + droopShiftMm) + corner.preloadMm;
  return springs.flatMap((spring, i): Left[] => {
    if (spring.tender || spring.freeLengthMm === null || spring.solidLengthMm === null) return [];
    const wayMm = stackOf(description).springs[i]?.solidMm ?? spring.freeLengthMm - spring.solidLengthMm;
    const reached = stack.springCompression(i, Math.min(fullMm, stack.solidMm));
    const tooFar = fullMm > stack.solidMm;
    const leftMm = tooFar ? stack.solidMm - fullMm : wayMm - reached;
    const inputs = () => [
      part('free', spring.freeLengthMm ?? 0, 'length', 'sheet'),
      part('solid', spring.solidLengthMm ?? 0, 'length', 'sheet'),
      part('x', reached, 'length', 'computed'),
      part('X', fullMm, 'length', 'computed'),
      ...(tooFar ? [part('X solid', stack.solidMm, 'length', 'computed')] : []),
      part('p', corner.preloadMm, 'length', assumed ? 'assumed' : 'sheet'),
    ];
    // A millimetre more of preload closes this spring by its share of what the stack closes.
    const share = tooFar ? 1 : stack.springCompression(i, fullMm) - stack.springCompression(i, fullMm - 1);
    return [
      {
        which: springWhich(spring.name, i),
        leftMm,
        rangeMm: wayMm,
        sdMm: preloadSd * share,
        assumed,
        inputs,
      },
    ];
  });
}
