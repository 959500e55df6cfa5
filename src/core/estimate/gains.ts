import { solveInPlace } from '../numerics/flatCholesky.ts';
import { dot } from '../numerics/matrix.ts';
import type { Fit } from './fit.ts';

/** relative. No ratio is learnt better than this. */
const LEAST_RATIO_SD = 0.002;

/** A quantity with one standard deviation. */
interface Known {
  mean: number;
  sd: number;
}

export interface LearntGain {
  /** mm at the wheel per mm at the seat where the machine rests, before any reading and now. */
  prior: Known;
  now: Known;
  /** Damper per wheel over the whole travel: what is kept for the next job. `sd` is of its logarithm. */
  ratio: Known;
}

/**
 * What each contact's seat gives at the wheel, as it was assumed and as the readings have it: 1/MR where the machine
 * rests. The ratio is known by its logarithm, so the spread of a gain is the gain times that of the logarithm, which is
 * the sum of what the axle shares and the contact's own. It rests as in `round`.
 */
export function gainsOf(fit: Fit, round: number): LearntGain[] {
  const { believed, rounds, values } = fit;
  const solver = rounds[round]?.solver;
  return believed.machine.contacts.map(({ axle }, i) => {
    const corner = solver?.corners[i];
    const ratio = corner?.ratioAt(solver?.z[i] ?? 0) ?? 1;
    const { mean, sd: own } = believed.belief.contacts[i]?.ratio ?? { mean: 0, sd: 0 };
    const before = (Math.exp(-mean) * (values.settings[i]?.ratioScale ?? 1)) / ratio;
    const beforeSd = Math.hypot(believed.belief.axleRatio[axle], own);
    const sd = Math.max(logRatioSd(fit, i), LEAST_RATIO_SD);
    return {
      prior: { mean: before, sd: before * beforeSd },
      now: { mean: 1 / ratio, sd: sd / ratio },
      ratio: { mean: corner?.meanRatio ?? 1, sd },
    };
  });
}

/**
 * Spread of the logarithm of what one step of a contact's own adjuster does at the wheel: that of its ratio, and of what a
 * position or a pressure does where nobody has said that.
 */
export function logStepSd(fit: Fit, contact: number): number {
  return logSd(fit, contact, true);
}

function logRatioSd(fit: Fit, contact: number): number {
  return logSd(fit, contact, false);
}

/** sqrt(a' P a) for a the sensitivities of a contact's log ratio, of its step less that too, P the inverse of the fit's precision. */
function logSd({ factor, parameters, believed }: Fit, contact: number, withStep: boolean): number {
  const n = parameters.length;
  const axle = believed.machine.contacts[contact]?.axle;
  const row = Float64Array.from(parameters, (one) => {
    if (withStep && one.kind === 'step' && one.contacts.includes(contact)) return -one.sd;
    const isOwn =
      (one.kind === 'axle-ratio' && one.axle === axle) || (one.kind === 'ratio' && one.contact === contact);
    return isOwn ? one.sd : 0;
  });
  const solved = row.slice();
  solveInPlace(factor, n, n, solved);
  return Math.sqrt(dot(row, solved));
}
