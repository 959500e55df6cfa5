import { part } from '../calculation/part.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import type { Left, StandingMargin } from './margin.ts';

/** What the height after the plan, as specified, has left to the edge of its tolerance. */
export const height: StandingMargin = {
  byLoad: false,
  tight: 0.25,
  left: ({ answer, corner }) => withinTolerance(corner, answer.tolerance.value),
};

function withinTolerance({ spec, specMm, specSdMm }: CornerAnswer, toleranceMm: number): Left[] {
  if (spec.targetMm === null) return [];
  const leftMm = toleranceMm - Math.abs(specMm - spec.targetMm);
  const target = spec.targetMm;
  const inputs = () => [
    part('T', toleranceMm, 'length', 'sheet'),
    part('h′', specMm, 'length', 'computed'),
    part('t', target, 'length', 'sheet'),
  ];
  return [{ leftMm, rangeMm: toleranceMm, sdMm: specSdMm, assumed: false, inputs }];
}
