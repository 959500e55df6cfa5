import { at, build, entry, solveSpd, type Matrix, type Vector } from './matrix.ts';

/** mm, absolute. Box solver: a multiplier or bound violation below this is none. */
const BOX_SOLVER_MM = 1e-9;

export interface BoxProblem {
  /** Symmetric positive definite, n x n. */
  hessian: Matrix;
  /** n. The problem is: minimise x'Hx/2 - g'x. */
  gradient: Vector;
  /** n. Lower and upper bounds; may be infinite; lower <= 0 <= upper is not needed. */
  lower: Vector;
  upper: Vector;
}

export interface BoxSolution {
  x: number[];
  converged: boolean;
  iterations: number;
}

type Side = 'free' | 'lower' | 'upper';

/**
 * Bounded least squares by the active-set method (after Stark and Parker's BVLS, 1995): solve in the free
 * variables, walk until the first bound is met, fix it, and release whichever bound pushes the wrong way.
 */
export function solveBox(problem: BoxProblem): BoxSolution {
  const n = problem.gradient.length;
  const x = problem.gradient.map((_, i) =>
    Math.min(Math.max(0, entry(problem.lower, i)), entry(problem.upper, i)),
  );
  const sides: Side[] = x.map(() => 'free');
  const limit = 20 * n + 20;
  for (let iterations = 1; iterations <= limit; iterations++) {
    const blocked = stepToFreeMinimum(problem, x, sides);
    if (blocked) continue;
    const release = worstMultiplier(problem, x, sides);
    if (release === null) return { x, converged: true, iterations };
    sides[release] = 'free';
  }
  return { x, converged: false, iterations: limit };
}

/** Moves x (in place) towards the minimum over the free variables; true when a bound stopped it. */
function stepToFreeMinimum(problem: BoxProblem, x: number[], sides: Side[]): boolean {
  const free = sides.flatMap((side, i) => (side === 'free' ? [i] : []));
  if (free.length === 0) return false;
  const hessian = build(free.length, free.length, (i, j) =>
    at(problem.hessian, entry(free, i), entry(free, j)),
  );
  const right = free.map((i) => entry(problem.gradient, i) - fixedPull(problem.hessian, x, sides, i));
  const goal = solveSpd(hessian, right);
  const { share, index } = firstBlock(problem, x, free, goal);
  free.forEach((variable, k) => {
    x[variable] = entry(x, variable) + share * (entry(goal, k) - entry(x, variable));
  });
  if (index === null) return false;
  const side: Side = entry(goal, free.indexOf(index)) < entry(x, index) ? 'lower' : 'upper';
  sides[index] = side;
  x[index] = entry(problem[side], index);
  return true;
}

function fixedPull(hessian: Matrix, x: Vector, sides: readonly Side[], i: number): number {
  return x.reduce((sum, value, j) => (sides[j] === 'free' ? sum : sum + at(hessian, i, j) * value), 0);
}

function firstBlock(problem: BoxProblem, x: Vector, free: readonly number[], goal: Vector) {
  let share = 1;
  let index: number | null = null;
  free.forEach((variable, k) => {
    const [from, to] = [entry(x, variable), entry(goal, k)];
    const bound = to < from ? entry(problem.lower, variable) : entry(problem.upper, variable);
    const beyond = to < from ? bound - to : to - bound;
    if (beyond <= BOX_SOLVER_MM) return;
    const reach = (bound - from) / (to - from);
    if (reach < share) [share, index] = [reach, variable];
  });
  return { share, index };
}

function worstMultiplier(problem: BoxProblem, x: Vector, sides: readonly Side[]): number | null {
  let worst: number | null = null;
  let size: number = BOX_SOLVER_MM;
  sides.forEach((side, i) => {
    if (side === 'free') return;
    const slope = x.reduce(
      (sum, value, j) => sum + at(problem.hessian, i, j) * value,
      -entry(problem.gradient, i),
    );
    const push = side === 'lower' ? -slope : slope;
    if (push > size && entry(problem.lower, i) < entry(problem.upper, i)) [worst, size] = [i, push];
  });
  return worst;
}
