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
  left: ({ corner }) => threadLeft(corner, true),
};

/** Good thread left below it. */
export const threadDown: StandingMargin = {
  byLoad: false,
  tight: TIGHT,
  left: ({ corner }) => threadLeft(corner, false),
};

function threadLeft({ spec, seatBy, collarMm, room }: CornerAnswer, up: boolean): Left[] {
  if (!Number.isFinite(up ? room.up : room.down)) return [];
  if (collarMm === null || !isByCollar(spec, up)) return leftAsFound({ spec, seatBy, room }, up);
  const { collarMinMm: min, collarMaxMm: max, pitchMm: pitch } = spec;
  const rangeMm = min !== null && max !== null ? max - min : 10 * pitch.value;
  const stopMm = collarMm + spec.readingSign * seatBy;
  const { limitMm, atMax } = limitOf(spec, up);
  // A collar past its end has less than nothing left: the room to turn it, which ends there, does not say so.
  const leftMm = atMax ? limitMm - stopMm : stopMm - limitMm;
  const inputs = () => threadInputs(spec, stopMm, up);
  const left = { leftMm, rangeMm, sdMm: tolerances.collarSdMm, assumed: false, inputs };
  // Turns of a pitch that nobody gave would be a guess beside a measured length.
  return [pitch.source === 'assumed' ? left : { ...left, turns: leftMm / pitch.value }];
}

function isByCollar(spec: CornerSpec, up: boolean): boolean {
  return (limitOf(spec, up).atMax ? spec.collarMaxMm : spec.collarMinMm) !== null;
}

/** Thread that was measured as it was found, less what the seat has gone and is to go. */
function leftAsFound(
  { spec, seatBy, room }: Pick<CornerAnswer, 'spec' | 'seatBy' | 'room'>,
  up: boolean,
): Left[] {
  const foundMm = up ? spec.threadUpMm : spec.threadDownMm;
  if (foundMm === null) return [];
  const leftMm = up ? room.up - seatBy : seatBy - room.down;
  const inputs = (): Part[] => [
    part('t₀', foundMm, 'length', 'measured'),
    part('c', foundMm - leftMm, 'length', 'computed'),
    part('p', spec.pitchMm.value, 'length', spec.pitchMm.source),
  ];
  const rangeMm = 10 * spec.pitchMm.value;
  const left = { leftMm, rangeMm, sdMm: tolerances.collarSdMm, assumed: false, inputs };
  return [spec.pitchMm.source === 'assumed' ? left : { ...left, turns: leftMm / spec.pitchMm.value }];
}

/** The collar reading at which good thread ends that way, and whether it is the greatest one. */
function limitOf(spec: CornerSpec, up: boolean): { limitMm: number; atMax: boolean } {
  const atMax = up === (spec.readingSign === 1);
  return { limitMm: (atMax ? spec.collarMaxMm : spec.collarMinMm) ?? 0, atMax };
}

function threadInputs(spec: CornerSpec, stopMm: number, up: boolean): Part[] {
  const { limitMm, atMax } = limitOf(spec, up);
  return [
    part('r end', limitMm, 'length', 'sheet', atMax ? 'greatest' : 'least'),
    part('stop', stopMm, 'length', 'computed'),
    part('p', spec.pitchMm.value, 'length', spec.pitchMm.source),
  ];
}
