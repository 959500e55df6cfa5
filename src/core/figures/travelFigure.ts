import type { Answer } from '../planning/answerShape.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import {
  measuredOf,
  type Assumed,
  type Estimated,
  type Figure,
  type Measured,
  type Predicted,
} from './figure.ts';

/** Wheel travel used at a corner, mm from full droop: as read in this round, worked out, or only assumed for the class. */
export function travelNow(
  { state }: Answer,
  { id, travelNow: now, travelSdMm }: CornerAnswer,
): Measured | Estimated | Assumed {
  const read = state.rounds[state.current]?.travelUsed[id];
  const measured = measuredOf(read === undefined ? [] : [read]);
  if (measured) return measured;
  if (now.source === 'assumed') return { kind: 'assumed', value: now.value };
  return { kind: 'estimated', value: now.value, sd: travelSdMm };
}

/** The same after the plan; where it is assumed now, it stays a guess. */
export function travelAfter(answer: Answer, corner: CornerAnswer): Predicted | Assumed {
  const { travelAfterMm: value, travelSdMm: sd } = corner;
  const now: Figure = travelNow(answer, corner);
  return now.kind === 'assumed' ? { ...now, value } : { kind: 'predicted', value, sd };
}
