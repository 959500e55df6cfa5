import { predictJointly } from '../estimate/predict.ts';
import { axleOf, type Axle } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import type { Answer } from './answerShape.ts';

/** mm at the wheel. Less than this is no reason to turn anything. */
const FELT_MM = 0.5;

/** What a load does at one end, and the seat that takes it back. Means over the corners of the end that are read. */
export interface Carried {
  axle: Axle;
  /** mm that the load lowers it; negative where it lifts that end. One standard deviation beside it. */
  dropMm: number;
  dropSdMm: number;
  /** mm of seat towards the spring that bring it back to where it stood. */
  seatMm: number;
  seatSdMm: number;
}

/**
 * What the owner's `load`, counted from 0, lowers each end by as the machine stands now, and how much preload takes it back.
 * A move of the seat with the same load moves the body by move times gain, so the preload is the drop over the gain. Spring
 * rates that nobody has named, and ratios not learnt yet, are in the spreads. Ends where it makes no difference are left out.
 */
export function carriedBy(answer: Answer, load: number): Carried[] {
  const { fit, now, corners, machine, posterior } = answer;
  const at = machine.corners.length + load;
  const asIs = (on: boolean) => ({ ...now, aboard: now.aboard.map((one, k) => (k === at ? on : one)) });
  if (at >= now.aboard.length) return [];
  const { mean, covariance } = predictJointly(fit, [asIs(false), asIs(true)]);
  const n = mean.length / 2;
  return (['front', 'rear'] as const).flatMap((axle) => {
    const here = corners.flatMap(({ id }, i) => (axleOf(id) === axle ? [{ id, i }] : []));
    if (here.length === 0) return [];
    const dropMm = meanOf(here.map(({ i }) => (mean[i] ?? 0) - (mean[n + i] ?? 0)));
    // The mean of differences: every row that goes into it, with its sign and weight.
    const rows = here.flatMap(({ i }) => [
      { k: i, weight: 1 / here.length },
      { k: n + i, weight: -1 / here.length },
    ]);
    const variance = rows.reduce(
      (sum, a) =>
        sum + rows.reduce((part, b) => part + a.weight * b.weight * (covariance[a.k]?.[b.k] ?? 0), 0),
      0,
    );
    if (Math.abs(dropMm) < FELT_MM) return [];
    const dropSdMm = Math.sqrt(Math.max(variance, 0));
    const gains = here.flatMap(({ id }) => posterior.gains[id]?.now ?? []);
    const gain = meanOf(gains.map((one) => one.mean));
    const gainShare = meanOf(gains.map((one) => one.sd / one.mean));
    const seatMm = dropMm / gain;
    return [{ axle, dropMm, dropSdMm, seatMm, seatSdMm: Math.hypot(dropSdMm / gain, seatMm * gainShare) }];
  });
}
