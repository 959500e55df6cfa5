import { sagWish, type SagWish } from '../document/sagWish.ts';
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

type Chanced = Pick<Setting, 'document' | 'machine' | 'read' | 'state'>;

/**
 * Chance that every height and sag with a target is within tolerance of it: if the machine is as it is planned from, and if
 * anything else is so that may be. Null where nothing is wanted.
 */
export function chanceIn(setting: Setting, situation: Situation): number | null {
  const chance = chanceIfSo(setting, situation);
  return chance === null ? null : chance * setting.doubt.planned + chanceOtherwise(setting, situation);
}

/** The part of that chance that comes of landing although something else is so. */
export function chanceOtherwise(setting: Chanced & Pick<Setting, 'otherwise'>, situation: Situation): number {
  return setting.otherwise.reduce(
    (sum, { probability, predictAt }) =>
      sum + probability * (chanceOf({ ...setting, predictAt }, situation) ?? 0),
    0,
  );
}

/**
 * The chance by one way of predicting heights and sags. Sags that are wanted with nobody on come of a prediction of their own,
 * and count as if they were independent of the others.
 */
function chanceOf(
  { document, machine, read, state, predictAt }: Chanced & Pick<Setting, 'predictAt'>,
  situation: Situation,
): number | null {
  const toleranceMm = toleranceOf(document).value;
  const asked = askedCorners(document, state);
  // A window says how far off a sag may be: anywhere in it is right.
  const sagsOf = (who: SagWish['who']) =>
    machine.corners.map((id) => {
      const wish = sagWish(document, id);
      if (!wish || wish.who !== who || !asked.includes(id)) return { target: null, withinMm: toleranceMm };
      if (!wish.window) return { target: wish.mm, withinMm: toleranceMm };
      const { fromMm, toMm } = wish.window;
      return { target: (fromMm + toMm) / 2, withinMm: (toMm - fromMm) / 2 };
    });
  const heights = read.map((id) => document.corners[id].targetMm);
  const chances = [
    chanceBy(() => predictAt(situation), { heights, toleranceMm }, sagsOf('ridden')),
    chanceBy(
      () => predictAt({ ...situation, aboard: machine.alone }),
      { heights: read.map(() => null), toleranceMm },
      sagsOf('alone'),
    ),
  ].filter((one) => one !== null);
  return chances.length === 0 ? null : chances.reduce((product, one) => product * one, 1);
}

function chanceBy(
  prediction: () => Prediction,
  { heights, toleranceMm }: { heights: readonly (number | null)[]; toleranceMm: number },
  sags: readonly { target: number | null; withinMm: number }[],
): number | null {
  if (sags.some(({ target }) => target !== null)) {
    const at = prediction();
    return chanceWithin(
      { mean: [...at.mean, ...at.travel], covariance: at.together() },
      [...heights, ...sags.map(({ target }) => target)],
      [...heights.map(() => toleranceMm), ...sags.map(({ withinMm }) => withinMm)],
    );
  }
  return heights.every((target) => target === null) ? null : chanceWithin(prediction(), heights, toleranceMm);
}

/** The chance if the machine is as it is planned from. */
function chanceIfSo(setting: Setting, situation: Situation): number | null {
  const { document, machine, read, predictAt } = setting;
  const prediction = predictAt(situation);
  const heights = read.map((id) => document.corners[id].targetMm);
  const bySag = machine.corners.some((id) => sagWish(document, id) !== null);
  const ranged = rangedAxles(setting);
  // What stands as it is does not depend on ratios.
  const moves = situation.seatsBy.some((mm, i) => mm !== (setting.now.seatsBy[i] ?? 0));
  if (bySag || !moves || ranged.length === 0 || heights.every((target) => target === null))
    return chanceOf(setting, situation);
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
  return overRanges ?? chanceOf(setting, situation);
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
