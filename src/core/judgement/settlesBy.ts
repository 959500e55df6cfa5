import type { Answer } from '../planning/answerShape.ts';
import { tolerances } from '../tolerances.ts';

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
  const { leastMm, mostMm } = tolerances.leftToSettle;
  if (least < leastMm || most > mostMm || most - least > answer.tolerance.value) return null;
  return Math.round((least + most) / 2);
}
