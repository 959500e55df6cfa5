import { classDefaults } from '../kinds/classes/index.ts';
import { assumedRatio, hungAt, toleranceOf } from '../estimate/corner.ts';
import { isRatioUnsaid } from '../estimate/ratioBelief.ts';
import { usualShare } from '../estimate/prior.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Prediction } from '../estimate/predict.ts';
import { axleOf } from '../kinds/corners.ts';
import { entry } from '../numerics/matrix.ts';
import { askedCorners } from '../estimate/sagEvidence.ts';
import { chanceWithin } from './chance.ts';
import type { Setting } from './planning.ts';
import { chanceOverRanges, rangesOf, type RangedAxle } from './rangeChance.ts';

/**
 * Chance that every height and sag with a target is within tolerance of it: if the machine is as it is planned from, and if
 * anything else is so that may be. Null where nothing is wanted.
 */
export function chanceIn(setting: Setting, situation: Situation): number | null {
  const chance = chanceIfSo(setting, situation);
  return chance === null ? null : chance * setting.doubt.planned + chanceOtherwise(setting, situation);
}

/** The part of that chance that comes of landing although something else is so. */
export function chanceOtherwise(
  setting: Pick<Setting, 'document' | 'machine' | 'read' | 'state' | 'otherwise'>,
  situation: Situation,
): number {
  return setting.otherwise.reduce(
    (sum, { probability, predictAt }) => sum + probability * (chanceOf(setting, predictAt(situation)) ?? 0),
    0,
  );
}

/** The chance by one prediction of heights and sags. */
function chanceOf(
  { document, machine, read, state }: Pick<Setting, 'document' | 'machine' | 'read' | 'state'>,
  prediction: Prediction,
): number | null {
  const heights = read.map((id) => document.corners[id].targetMm);
  const toleranceMm = toleranceOf(document).value;
  // A window says how far off a sag may be: anywhere in it is right.
  const asked = askedCorners(document, state);
  const sags = machine.corners.map((id) => {
    const { sagMm, sagWindow } = document.corners[id];
    if (!asked.includes(id)) return { target: null, withinMm: toleranceMm };
    if (sagMm === null || !sagWindow) return { target: sagMm, withinMm: toleranceMm };
    const { fromMm, toMm } = sagWindow;
    return { target: (fromMm + toMm) / 2, withinMm: (toMm - fromMm) / 2 };
  });
  if (sags.some(({ target }) => target !== null)) {
    const mean = [...prediction.mean, ...prediction.travel];
    return chanceWithin(
      { mean, covariance: prediction.together() },
      [...heights, ...sags.map(({ target }) => target)],
      [...heights.map(() => toleranceMm), ...sags.map(({ withinMm }) => withinMm)],
    );
  }
  if (heights.every((target) => target === null)) return null;
  return chanceWithin(prediction, heights, toleranceMm);
}

/** The chance if the machine is as it is planned from. */
function chanceIfSo(setting: Setting, situation: Situation): number | null {
  const { document, machine, read, predictAt } = setting;
  const prediction = predictAt(situation);
  const heights = read.map((id) => document.corners[id].targetMm);
  const bySag = machine.corners.some((id) => document.corners[id].sagMm !== null);
  const ranged = rangedAxles(setting);
  // What stands as it is does not depend on ratios.
  const moves = situation.seatsBy.some((mm, i) => mm !== (setting.now.seatsBy[i] ?? 0));
  if (bySag || !moves || ranged.length === 0 || heights.every((target) => target === null))
    return chanceOf(setting, prediction);
  const here = predictAt({ ...setting.now, ...setting.specified }).mean;
  const overRanges = chanceOverRanges(setting.learnt, situation, ranged, {
    targets: heights,
    withinMm: toleranceOf(document).value,
    risesMm: prediction.mean.map((mm, r) => mm - entry(here, r)),
    ownRise: classDefaults[document.machine.class].ownRise,
    spreadBy: read.map((id) => {
      const contact = machine.believed.machine.contacts[machine.corners.indexOf(id)];
      return contact ? usualShare(contact.travelMm) : 1;
    }),
  });
  return overRanges ?? chanceOf(setting, prediction);
}

/** Axles of whose ratio only its range is known. */
function rangedAxles({ document, machine, state }: Setting): RangedAxle[] {
  return (['front', 'rear'] as const).flatMap((axle): RangedAxle[] => {
    const id = machine.corners.find((one) => axleOf(one) === axle);
    if (!id || !isRatioUnsaid(document, id, state.measuredRatio)) return [];
    const hung = hungAt(document, id);
    const picked = hung.suspension !== null;
    return [{ axle, picked, middle: assumedRatio(document, id), ranges: rangesOf(hung) }];
  });
}
