import { solveSpd } from '../numerics/matrix.ts';

/** Where a descent ended: the values, what is left (half the sum of squares), and the information in the values. */
export interface Descent {
  values: number[];
  cost: number;
  information: number[][];
}

const TURNS = 60;

/**
 * Least squares by Levenberg and Marquardt's rule with slopes by differences: for few unknowns and many residuals.
 * @param residuals each in units of its standard deviation. @param steps for the differences, one to each value.
 */
export function leastSquares(
  residuals: (values: readonly number[]) => number[],
  start: readonly number[],
  steps: readonly number[],
): Descent {
  let values = [...start];
  let left = residuals(values);
  let cost = half(left);
  let damping = 1e-3;
  let information: number[][] = [];
  for (let turn = 0; turn < TURNS; turn++) {
    const slopes = values.map((_, k) => {
      const [less, more] = [-1, 1].map((side) =>
        residuals(values.map((value, j) => (j === k ? value + side * (steps[k] as number) : value))),
      ) as [number[], number[]];
      return more.map((value, i) => (value - (less[i] as number)) / (2 * (steps[k] as number)));
    });
    const inner = (a: readonly number[], b: readonly number[]) =>
      a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);
    information = slopes.map((a) => slopes.map((b) => inner(a, b)));
    const pull = slopes.map((a) => -inner(a, left));
    let moved = false;
    for (let attempt = 0; attempt < 8 && !moved; attempt++) {
      const damped = information.map((row, i) =>
        row.map((value, j) => (i === j ? value * (1 + damping) + 1e-12 : value)),
      );
      const move = trySolve(damped, pull);
      const next = move && values.map((value, i) => value + (move[i] as number));
      const there = next && residuals(next);
      const lower = there && half(there);
      if (next && there && lower !== null && lower < cost) {
        const gain = cost - (lower as number);
        [values, left, cost, moved] = [next, there, lower as number, true];
        damping /= 5;
        if (gain < 1e-10 * (1 + cost)) return { values, cost, information };
      } else damping *= 6;
    }
    if (!moved) break;
  }
  return { values, cost, information };
}

const half = (all: readonly number[]): number => all.reduce((sum, value) => sum + value * value, 0) / 2;

function trySolve(matrix: number[][], right: number[]): number[] | null {
  try {
    return solveSpd(matrix, right);
  } catch {
    return null;
  }
}
