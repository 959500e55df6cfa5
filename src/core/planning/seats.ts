import { build, dot, entry, multiply, transpose, type Matrix } from '../numerics/matrix.ts';
import { solveBox } from '../numerics/boxQp.ts';
import { stepsNear, type Steps, type ThreadRoom } from '../adjusting/limits.ts';

/** mm at the wheel. A step that moves more than this is coarse: the other adjusters make up for it. */
const COARSE_MM = 2.5;
/** mm at the wheel per mm of seat, squared. A seat that does nothing (its slider on a ring) still costs to move. */
const LEAST_GAIN = 0.01;
/** dimensionless. Weight of "move little" against 1 mm of height error squared: bias under 0.01 mm. */
const SMALL_MOVE_PENALTY = 1e-5;

export interface SeatProblem {
  /** heights x n: d(height)/d(adjuster). */
  influence: Matrix;
  /** By height: wanted minus now, mm; null where no target is set. */
  wanted: readonly (number | null)[];
  /** By height: how much it counts, 1 as usual. */
  weights: readonly number[];
  /** contacts x n: what the wheel moves per mm and the body does not follow. */
  twist: Matrix;
  /** n: what the adjuster's own wheel moves per mm, for the small-move preference. */
  gains: readonly number[];
  rooms: readonly ThreadRoom[];
  /** n: how each can be moved. */
  steps: readonly Steps[];
  /** Weight of "do not twist" against 1 mm^2 of height error. */
  twistPenalty: number;
  /** n: how much a move of each costs against the others; 1 where left out. */
  efforts?: readonly number[] | undefined;
  /** Indices that must move alike, each corner in exactly one group. */
  groups: readonly (readonly number[])[];
}

export interface SeatSolution {
  /** n: mm at the seat, whole steps, within the rooms. */
  seatsBy: number[];
  /** n: the best move if the adjusters had no steps. */
  smoothMm: number[];
}

/**
 * Least squares over all corners: minimise sum w (J c - wanted)^2 + lambda sum (gain c)^2
 * + mu |T c|^2 within the thread, where T c is what the wheels move and the body does not follow (twist), and
 * tied corners share one unknown. Steps are chosen among the whole steps around the smooth optimum by trying
 * them together, not by rounding each.
 */
export function planSeats(problem: SeatProblem): SeatSolution {
  const n = problem.steps.length;
  const spread = build(n, problem.groups.length, (i, g) => (problem.groups[g]?.includes(i) ? 1 : 0));
  const rooms = problem.groups.map((group) => sharedRoom(group.map((i) => problem.rooms[i] as ThreadRoom)));
  const quadratic = quadraticOf(problem, spread);
  const smooth = solveBox({
    ...quadratic,
    lower: rooms.map(({ down }) => down),
    upper: rooms.map(({ up }) => up),
  }).x;
  // A tied pair with unlike pitches cannot share a step; the finer one is then told the nearest.
  const steps = problem.groups.map((group) => sharedSteps(group.map((i) => problem.steps[i] as Steps)));
  const gains = problem.groups.map((group) => Math.max(...group.map((i) => entry(problem.gains, i))));
  const stepped = bestOfCoarse(quadratic, smooth, { steps, rooms, gains });
  const expand = (values: readonly number[]) =>
    spread.map((row) => row.reduce((sum, on, g) => sum + on * entry(values, g), 0));
  return { seatsBy: expand(stepped), smoothMm: expand(smooth) };
}

function sharedRoom(rooms: readonly ThreadRoom[]): ThreadRoom {
  return { down: Math.max(...rooms.map(({ down }) => down)), up: Math.min(...rooms.map(({ up }) => up)) };
}

function sharedSteps(steps: readonly Steps[]): Steps {
  return {
    stepBy: Math.max(...steps.map(({ stepBy }) => stepBy)),
    choicesBy: steps.find(({ choicesBy }) => choicesBy)?.choicesBy,
  };
}

interface Quadratic {
  hessian: number[][];
  gradient: number[];
}

function quadraticOf(problem: SeatProblem, spread: Matrix): Quadratic {
  const rows = problem.wanted.flatMap((wanted, i) =>
    wanted === null ? [] : [weighted(wanted, problem.influence[i] ?? [], problem.weights[i] ?? 1)],
  );
  const jacobian = multiply(
    rows.map(({ row }) => row),
    spread,
  );
  const turned = rows.length === 0 ? problem.groups.map(() => []) : transpose(jacobian);
  const fit = build(turned.length, turned.length, (i, j) => dot(turned[i] ?? [], turned[j] ?? []));
  const twists = transpose(multiply(problem.twist, spread));
  const twist = (i: number, j: number) => problem.twistPenalty * dot(twists[i] ?? [], twists[j] ?? []);
  const penalty = (g: number) =>
    spread.reduce(
      (sum, row, i) =>
        sum +
        entry(row, g) * (problem.efforts?.[i] ?? 1) * Math.max(entry(problem.gains, i) ** 2, LEAST_GAIN),
      0,
    );
  const wanted = rows.map((row) => row.wanted);
  return {
    hessian: fit.map((row, i) =>
      row.map((value, j) => value + twist(i, j) + (i === j ? SMALL_MOVE_PENALTY * penalty(i) : 0)),
    ),
    gradient: turned.map((row) => dot(row, wanted)),
  };
}

function weighted(wanted: number, row: readonly number[], weight: number) {
  const root = Math.sqrt(weight);
  return { wanted: wanted * root, row: row.map((value) => value * root) };
}

interface Grid {
  /** By group. */
  steps: readonly Steps[];
  rooms: readonly ThreadRoom[];
  gains: readonly number[];
}

/**
 * Where a step is coarse (a cam, a groove), what the others should do depends on which one it is: they are solved again
 * for each of the steps around the smooth optimum, and stepped from there.
 */
function bestOfCoarse(quadratic: Quadratic, smooth: readonly number[], grid: Grid): number[] {
  const { steps, rooms, gains } = grid;
  const coarse = steps.map(
    ({ choicesBy, stepBy }, g) => choicesBy !== undefined || stepBy * entry(gains, g) > COARSE_MM,
  );
  const fixed = coarse.flatMap((is, g) =>
    is ? [stepsNear(steps[g] as Steps, rooms[g] as ThreadRoom, entry(smooth, g))] : [],
  );
  if (fixed.length === 0) return bestSteps(quadratic, smooth, steps, rooms);
  const ways = combinations(fixed).map((values) => {
    let next = 0;
    const held = rooms.map((room, g) => {
      const mm = coarse[g] ? (values[next++] ?? 0) : 0;
      return coarse[g] ? { down: mm, up: mm } : room;
    });
    const again = solveBox({
      ...quadratic,
      lower: held.map(({ down }) => down),
      upper: held.map(({ up }) => up),
    }).x;
    const heldSteps = steps.map((one, g) => (coarse[g] ? { ...one, choicesBy: [held[g]?.down ?? 0] } : one));
    const moves = bestSteps(quadratic, again, heldSteps, held);
    return { moves, cost: costOf(quadratic, moves) };
  });
  return ways.reduce((best, one) => (one.cost < best.cost - 1e-12 ? one : best)).moves;
}

function bestSteps(
  quadratic: Quadratic,
  smooth: readonly number[],
  steps: readonly Steps[],
  rooms: readonly ThreadRoom[],
): number[] {
  const choices = smooth.map((value, g) => stepsNear(steps[g] as Steps, rooms[g] as ThreadRoom, value));
  let best: number[] = [];
  let bestCost = Infinity;
  for (const candidate of combinations(choices)) {
    const cost = costOf(quadratic, candidate);
    if (cost < bestCost - 1e-12) [best, bestCost] = [candidate, cost];
  }
  return best.map((value) => (value === 0 ? 0 : value));
}

function combinations(choices: readonly (readonly number[])[]): number[][] {
  return choices.reduce<number[][]>(
    (sofar, values) => sofar.flatMap((head) => values.map((value) => [...head, value])),
    [[]],
  );
}

function costOf({ hessian, gradient }: Quadratic, x: readonly number[]): number {
  return x.reduce(
    (sum, value, i) =>
      sum +
      value *
        (0.5 * x.reduce((row, other, j) => row + (hessian[i]?.[j] ?? 0) * other, 0) - entry(gradient, i)),
    0,
  );
}
