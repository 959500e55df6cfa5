import { axleOf, cornerIds } from '../machine/body.ts';
import type { Axle } from '../machine/classes.ts';
import { solveInPlace } from '../numerics/flatCholesky.ts';
import type { Fit } from './fit.ts';

/** mm at the wheel per mm at the seat, with one standard deviation. */
interface Gain {
  mean: number;
  sd: number;
}

export interface LearntGain {
  prior: Gain;
  now: Gain;
}

/**
 * What each axle's seats give at the wheel, as it was assumed and as the readings have it: 1/MR where the machine rests.
 * The ratio is known by its logarithm, so the spread of a gain is the gain times that of the axle's parameter.
 */
export function gainsOf(fit: Fit): Record<Axle, LearntGain> {
  return { front: gainOf(fit, 'front'), rear: gainOf(fit, 'rear') };
}

function gainOf(fit: Fit, axle: Axle): LearntGain {
  const { parameters, believed, rounds } = fit;
  const k = parameters.findIndex((one) => one.kind === 'axle-ratio' && one.axle === axle);
  const i = cornerIds.findIndex((id) => axleOf(id) === axle);
  const priorSd = believed.belief.axleRatio[axle];
  const solver = rounds.at(-1)?.solver;
  const corner = solver?.corners[i];
  const ratio = corner?.ratioAt(solver?.z[i] ?? 0) ?? 1;
  const scale = fit.values.settings[i]?.ratioScale ?? 1;
  const sd = k < 0 ? priorSd : priorSd * coordinateSd(fit, k);
  const prior = scale / ratio;
  return { prior: { mean: prior, sd: prior * priorSd }, now: { mean: 1 / ratio, sd: sd / ratio } };
}

function coordinateSd({ factor, parameters }: Fit, k: number): number {
  const n = parameters.length;
  const unit = new Float64Array(n);
  unit[k] = 1;
  solveInPlace(factor, n, n, unit);
  return Math.sqrt(unit[k] as number);
}
