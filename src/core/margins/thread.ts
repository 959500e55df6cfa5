import type { CornerSpec } from '../estimate/corner.ts';
import { part } from '../calculation/part.ts';
import type { Part } from '../calculation/part.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import { tolerances } from '../tolerances.ts';
import type { Left, StandingMargin } from './margin.ts';

/** A tenth and a half of the thread: about two turns in ten. */
const TIGHT = 0.15;

/** Good thread left above the collar. */
export const threadUp: StandingMargin = {
  byLoad: false,
  tight: TIGHT,
  left: ({ corner }) => threadLeft(corner, corner.room.up - corner.seatBy, true),
};

/** Good thread left below it. */
export const threadDown: StandingMargin = {
  byLoad: false,
  tight: TIGHT,
  left: ({ corner }) => threadLeft(corner, corner.seatBy - corner.room.down, false),
};

function threadLeft({ spec, seatBy, collarMm }: CornerAnswer, leftMm: number, up: boolean): Left[] {
  if (!Number.isFinite(leftMm) || collarMm === null) return [];
  const { collarMinMm: min, collarMaxMm: max, pitchMm: pitch } = spec;
  const rangeMm = min !== null && max !== null ? max - min : 10 * pitch.value;
  const inputs = () => threadInputs(spec, collarMm + spec.readingSign * seatBy, up);
  const left = { leftMm, rangeMm, sdMm: tolerances.collarSdMm, assumed: false, inputs };
  // Turns of a pitch that nobody gave would be a guess beside a measured length.
  return [pitch.source === 'assumed' ? left : { ...left, turns: leftMm / pitch.value }];
}

function threadInputs(spec: CornerSpec, stopMm: number, up: boolean): Part[] {
  const atMax = up === (spec.readingSign === 1);
  const limitMm = (atMax ? spec.collarMaxMm : spec.collarMinMm) ?? 0;
  return [
    part('r end', limitMm, 'length', 'sheet', atMax ? 'greatest' : 'least'),
    part('stop', stopMm, 'length', 'computed'),
    part('p', spec.pitchMm.value, 'length', spec.pitchMm.source),
  ];
}
