import { solveLinear } from './solveLinear.ts';

/** One way that something can move, between two ends. */
export interface Freedom {
  low: number;
  high: number;
  /** N on it in the state as it is, which grow as it grows. */
  force: () => number;
}

const STEPS = 40;
const FAR_MM = 25;
const NEAR_MM = 1e-8;
const { abs, max, min } = Math;

/**
 * Newton's steps of all freedoms together towards where no force is left, each bounded. One that stands at its end and is pushed
 * further stays there. Changes the state; comes near, and promises nothing.
 */
export function straighten(state: number[], freedoms: readonly Freedom[], stiffness: () => number[][]): void {
  for (let step = 0; step < STEPS; step++) {
    const force = freedoms.map((freedom) => freedom.force());
    const free = state.flatMap((value, k) => {
      const { low, high } = freedoms[k] as Freedom;
      const n = force[k] as number;
      return (value <= low && n > 0) || (value >= high && n < 0) ? [] : [k];
    });
    const rows = stiffness();
    const move = solveLinear(
      free.map((r) => free.map((c) => (rows[r] as number[])[c] as number)),
      free.map((k) => -(force[k] as number)),
    );
    if (!move) return;
    const most = max(...move.map(abs), 0);
    const share = most > FAR_MM ? FAR_MM / most : 1;
    free.forEach((k, j) => {
      const { low, high } = freedoms[k] as Freedom;
      state[k] = min(max((state[k] as number) + share * (move[j] as number), low), high);
    });
    if (most < NEAR_MM) return;
  }
}
