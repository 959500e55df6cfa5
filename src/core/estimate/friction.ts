import { solveInPlace } from '../numerics/flatCholesky.ts';
import type { BelievedMachine } from './belief.ts';
import { fit, type Fit, type RoundEvidence } from './fit.ts';

/** coordinates. How many frictions the assumed size of friction is worth against those seen on the machine. */
const FRICTION_FAITH = 3;

/**
 * A fit that also learns how much friction this machine leaves. Each round's friction coordinates were taken to have
 * variance 1; given the readings their second moment is mean^2 + variance. Its average over all of them, together with
 * `frictionFaith` coordinates' worth of what was assumed, scales the assumed friction, and the machine is fitted again
 * (two steps of expectation and maximisation). `plain` is the fit by the friction assumed, where somebody has it.
 */
export function fitWithFriction(
  believed: BelievedMachine,
  rounds: readonly RoundEvidence[],
  plain: Fit = fit(believed, rounds),
): Fit {
  let learnt = plain;
  if (rounds.length < 2) return learnt;
  let scale = 1;
  for (let step = 0; step < 2; step++) {
    scale *= Math.sqrt(meanSquare(learnt));
    learnt = fit(
      believed,
      rounds.map((round) => ({ ...round, frictionScale: round.frictionScale * scale })),
      { near: learnt },
    );
  }
  return learnt;
}

function meanSquare({ parameters, best, factor }: Fit): number {
  const n = parameters.length;
  let sum: number = FRICTION_FAITH;
  let count: number = FRICTION_FAITH;
  parameters.forEach((parameter, k) => {
    if (parameter.kind !== 'friction') return;
    const unit = new Float64Array(n);
    unit[k] = 1;
    solveInPlace(factor, n, n, unit);
    sum += (best[k] as number) ** 2 + (unit[k] as number);
    count++;
  });
  return sum / count;
}
