import type { Answer } from './answerShape.ts';
import { ratioBasis } from '../estimate/ratioBelief.ts';
import { priors } from '../estimate/prior.ts';
import { conditionedRows, travelSpreadRows } from '../estimate/predict.ts';
import { axleOf } from '../kinds/corners.ts';
import { isMoved } from './cornerAnswer.ts';
import { chanceWithin } from './chance.ts';

/** Whether the ratio of an axle is only guessed: from the class or the suspension, or as somebody said it. */
function isRatioGuessed({ document, state, corners }: Answer, axle: 'front' | 'rear'): boolean {
  const own = corners.filter(({ id }) => axleOf(id) === axle);
  return own.some(({ id }) =>
    ['class', 'suspension', 'stated'].includes(ratioBasis(document, id, state.measuredRatio)),
  );
}

/**
 * The chance of landing with this round if the ratios that are only guessed were measured first: the same plan made with
 * them known to 3 %. Null where nothing is guessed, nothing is moved, or no height is wanted.
 */
export function chanceIfMeasured(answer: Answer): number | null {
  const { fit, specifiedAfter, corners, tolerance } = answer;
  const axles = (['front', 'rear'] as const).filter((axle) => isRatioGuessed(answer, axle));
  const targets = corners.map(({ spec }) => spec.targetMm);
  if (answer.chanceAfter === null || axles.length === 0 || targets.every((target) => target === null))
    return null;
  // What is not moved lands no better for a ratio that is known better.
  if (![...corners, ...answer.unread].some(isMoved)) return null;
  const rows = travelSpreadRows(fit, specifiedAfter);
  const known = fit.parameters.flatMap((parameter, k) =>
    parameter.kind === 'axle-ratio' && axles.includes(parameter.axle) && parameter.sd > priors.measuredRatio
      ? [{ row: rows.unit(k), sd: priors.measuredRatio / parameter.sd }]
      : [],
  );
  if (known.length === 0) return null;
  const covariance = conditionedRows(rows.heights, known);
  // Planned anew with the ratio known, every height would be aimed at its target; what cannot be had stays where it is.
  const mean = corners.map(({ spec: { targetMm }, specMm }) =>
    targetMm === null || Math.abs(specMm - targetMm) > tolerance.value ? specMm : targetMm,
  );
  const chance = answer.doubt.planned * chanceWithin({ mean, covariance }, targets, tolerance.value);
  return Math.max(chance, answer.chanceAfter);
}
