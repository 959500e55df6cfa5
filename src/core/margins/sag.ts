import { sagWindowAt } from '../document/sagWish.ts';
import type { SagLimits } from '../document/types.ts';
import { part } from '../calculation/part.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import type { Left, StandingMargin } from './margin.ts';

/** From the sag after the plan to the nearer edge of its window. */
export const sag: StandingMargin = {
  byLoad: false,
  tight: 0.25,
  left: ({ answer, corner }) => {
    const window = sagWindowAt(answer.document, corner.id);
    return window ? [sagLeft(window, corner)] : [];
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
      part('z', sagMm, 'length', assumed ? 'assumed' : 'computed'),
      part('from', fromMm, 'length', 'sheet'),
      part('to', toMm, 'length', 'sheet'),
    ],
  };
}
