import { part } from '../calculation/part.ts';
import { damperRead, lengthAt, type DamperRead } from '../stance/damperLength.ts';
import type { Standing } from '../stance/standing.ts';
import { riseSdMm } from './riseSd.ts';
import type { Left, LoadMargin, Place } from './margin.ts';

/** What a damper can still open, as a tape along it tells: no travel of the wheel need be known. */
export const damperOpen: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: (place, standing) =>
    ofDamper(place, standing, ({ openMm }, lengthMm) => (openMm === null ? null : openMm - lengthMm)),
};

/** What it can still close. */
export const damperClosed: LoadMargin = {
  byLoad: true,
  tight: 0.2,
  left: (place, standing) =>
    ofDamper(place, standing, ({ closedMm }, lengthMm) => (closedMm === null ? null : lengthMm - closedMm)),
};

/** Whether what is left at an end of the travel was measured at the damper, so that no travel need be taken for granted. */
export function isDamperRead({ answer, corner }: Place, end: 'openMm' | 'closedMm'): boolean {
  const read = damperRead(answer, corner.id);
  return read !== null && read[end] !== null;
}

function ofDamper(
  { answer, corner }: Place,
  standing: Standing,
  leftOf: (read: DamperRead, lengthMm: number) => number | null,
): Left[] {
  const read = damperRead(answer, corner.id);
  if (!read) return [];
  const usedMm = standing.travelMm - corner.travelShiftMm;
  const lengthMm = lengthAt(read, usedMm);
  const leftMm = leftOf(read, lengthMm);
  if (leftMm === null) return [];
  const { openMm, closedMm, readMm, ratio, travelMm } = read;
  return [
    {
      leftMm,
      rangeMm: openMm !== null && closedMm !== null ? openMm - closedMm : readMm,
      sdMm: riseSdMm(ratio * (usedMm - travelMm)),
      assumed: false,
      inputs: () => [
        part('L', readMm, 'length', 'measured'),
        part('Δz', travelMm - usedMm, 'length', 'computed'),
        part('MR', ratio, 'ratio', corner.spec.ratio.source),
        part('L′', lengthMm, 'length', 'computed'),
        ...(openMm === null ? [] : [part('open', openMm, 'length', 'measured')]),
        ...(closedMm === null ? [] : [part('closed', closedMm, 'length', 'measured')]),
      ],
    },
  ];
}
