import type { Answer } from '../planning/answerShape.ts';

/** mm above target that may be left to new springs to lose. */
const LEFT_TO_SETTLE = { leastMm: 1, mostMm: 8 };

/**
 * mm by which a machine stands high all round, where that is what new springs usually lose: between 1 and 8 mm, alike
 * within the tolerance. Null where there is nothing to leave to settling.
 */
export function settlesBy(answer: Answer): number | null {
  const over = answer.corners.flatMap(({ spec, nowSpecMm }) =>
    spec.targetMm === null ? [] : [nowSpecMm - spec.targetMm],
  );
  if (over.length === 0) return null;
  const [least, most] = [Math.min(...over), Math.max(...over)];
  const { leastMm, mostMm } = LEFT_TO_SETTLE;
  if (least < leastMm || most > mostMm || most - least > answer.tolerance.value) return null;
  return Math.round((least + most) / 2);
}
