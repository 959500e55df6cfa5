import type { SagLimits } from '../document/types.ts';
import { input } from '../calculation/input.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import type { Left, StandingMargin } from './margin.ts';

/** From the sag after the plan to the nearer edge of its window. */
export const sag: StandingMargin = {
  byLoad: false,
  tight: 0.25,
  left: ({ answer, corner }) => {
    const { sagWindow } = answer.document.corners[corner.id];
    return sagWindow ? [sagLeft(sagWindow, corner)] : [];
  },
};

function sagLeft({ fromMm, toMm }: SagLimits, { sagMm, sagSdMm, travelNow }: CornerAnswer): Left {
  const assumed = travelNow.source === 'assumed';
  return {
    leftMm: Math.min(sagMm - fromMm, toMm - sagMm),
    rangeMm: (toMm - fromMm) / 2,
    sdMm: sagSdMm,
    assumed,
    inputs: () => [
      input('z', 'sag after the plan, as specified', sagMm, 'length', assumed ? 'assumed' : 'computed'),
      input('from', 'least sag', fromMm, 'length', 'sheet'),
      input('to', 'most sag', toMm, 'length', 'sheet'),
    ],
  };
}
