import type { Answer } from '../planning/answerShape.ts';
import { contactPoint } from '../machine/body.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { situationOf } from '../estimate/believed.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Fit } from '../estimate/fit.ts';
import { simulate } from '../estimate/simulate.ts';
import type { MachineSolver } from '../machine/solver.ts';

/** The situation of the baseline, without what its friction held. */
export function baselineOf({ machine }: Answer): Situation {
  const zero = machine.corners.map(() => 0);
  return situationOf(machine, zero, zero, undefined, 0);
}

const baselines = new WeakMap<Fit, MachineSolver>();

/** The machine at rest as it was at the baseline; worked out once for a fit. */
function baselineSolver(answer: Answer): MachineSolver {
  const { machine, fit } = answer;
  const known = baselines.get(fit);
  if (known) return known;
  const { solver } = simulate(machine.believed, fit.values, baselineOf(answer));
  baselines.set(fit, solver);
  return solver;
}

/** mm that the body stands higher over places of the ground than at the baseline, tyres and all. Worked out when first asked. */
export function bodyRise(answer: Answer, situation: Situation): (x: number, y: number) => number {
  return (x, y) => {
    const then = baselineSolver(answer);
    const now = answer.predictAt(situation).outcome.solver;
    return now.bodyHeight(x, y) - then.bodyHeight(x, y);
  };
}

/** mm from axle to axle as the drawings have it. */
export function wheelbaseOf({ document }: Pick<Answer, 'document'>): number {
  const xs = cornersIn(document).map((id) => contactPoint(document.machine, id).x);
  return Math.max(...xs) - Math.min(...xs);
}
