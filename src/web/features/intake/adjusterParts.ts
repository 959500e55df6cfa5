import { limits } from '#contract/limits.ts';
import type { CornerDocument, JobDocument } from '#core/document/types.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import type { Range } from '../../forms/quantity.ts';

/** Whether a machine has more than seats on a thread, or more is wanted of it than heights. */
export function isMoreGiven(document: JobDocument): boolean {
  return (
    footingOf(document.machine.class) !== 'wheels' ||
    document.crossTarget !== null ||
    cornersIn(document).some((id) => {
      const { sagMm, rings, fitting } = document.corners[id];
      return sagMm !== null || rings.length > 0 || fitting !== 'seat';
    })
  );
}

/** What one end of a sag window may be, mm of travel: a millimetre from its other end at least. */
export function windowRange({ sagWindow }: CornerDocument, name: 'fromMm' | 'toMm'): Range {
  if (!sagWindow) return limits.sagMm;
  return name === 'fromMm'
    ? { ...limits.sagMm, max: sagWindow.toMm - 1 }
    : { ...limits.sagMm, min: sagWindow.fromMm + 1 };
}

/** Cam positions as a workshop reads them off: where they begin, how far apart, how many. */
const camsFrom = (first: number, step: number, count: number) =>
  Array.from({ length: count }, (_, k) => Math.round(10 * (first + k * step)) / 10);
const camStep = ([a = 0, b = a + 10]: readonly number[]) => b - a;

/** The three figures that positions are entered by, and the positions with one of them changed. */
export const camParts = [
  {
    label: 'Cam, first position',
    help: '° of preload in the loosest',
    range: { min: 0, max: 300 },
    read: ([first = 0]: readonly number[]) => first,
    write: (cams: readonly number[], first: number) => camsFrom(first, camStep(cams), cams.length),
  },
  {
    label: 'Each further',
    help: '° more',
    range: { min: 1, max: 60 },
    read: camStep,
    write: (cams: readonly number[], step: number) => camsFrom(cams[0] ?? 0, step, cams.length),
  },
  {
    label: 'Positions',
    help: 'how many the cam has',
    range: { min: 1, max: limits.cams },
    read: (cams: readonly number[]) => cams.length,
    write: (cams: readonly number[], count: number) =>
      camsFrom(cams[0] ?? 0, camStep(cams), Math.round(count)),
  },
] as const;

export type CamPart = (typeof camParts)[number];

/** What a second chamber usually holds beside the first, until it is given: twice its pressure, a third of its volume. */
export const usualSecond = ({ gaugeBar, volumeCm3 }: { gaugeBar: number; volumeCm3: number }) => ({
  gaugeBar: 2 * gaugeBar,
  volumeCm3: volumeCm3 / 3,
});
