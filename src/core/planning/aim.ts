import { drawPair, predict, type Prediction } from '../estimate/predict.ts';
import type { Values } from '../estimate/parameters.ts';
import type { CornerModel } from '../machine/corner.ts';
import { seededUniform } from '../numerics/random.ts';
import type { Fit } from '../estimate/fit.ts';
import type { Situation } from '../estimate/belief.ts';
import { simulate, type Outcome } from '../estimate/simulate.ts';
import { influence, seatForce } from '../machine/equilibrium.ts';
import { build, entry } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';
import { chancesAround } from './chance.ts';
import { extraValue, goalsOf, mmPerShare, type Wanted } from './goals.ts';
import { nextStep, type Steps, type ThreadRoom } from '../adjusting/limits.ts';
import { planSeats } from './seats.ts';

/** mm of seat. A slider that does not come off its ring within this never will. */
const DEAD_STRETCH_MM = 60;
/** mm at the wheel per mm of seat. Below this a seat does nothing that can be planned with. */
const DEAD_GAIN = 0.05;
/** rounds. Moves linearised anew this often; straight machines need two, kneed stacks three or four. */
const PLAN_ROUNDS = 8;
/** sweeps over the adjusters in search of a better chance of landing. */
const CHANCE_SWEEPS = 8;
/** share. A step that adds less to the chance than this is not told. */
const CHANCE_STEP = 0.01;
/**
 * dimensionless. Weight of "do not twist" against 1 mm of height error squared: moves that only load one diagonal
 * change no height but the cross weight, so they must not be used to shave the last tenth.
 */
const TWIST_PENALTY = 0.3;
/** steps. Left and right that need the same to within this are told the same. */
const SAME_NEED = 0.5;
/** draws, to compare neighbouring plans on: the same ones for all, so that fewer do. */
const SEARCH_DRAWS = 1000;

/** Something that can be turned at a contact. */
export interface Adjuster extends Steps {
  contact: number;
  kind: 'seat' | 'mount';
  room: ThreadRoom;
}

export interface AimProblem extends Wanted {
  fit: Fit;
  /** Where the adjusters are now, and what the machine has run. */
  from: Situation;
  /** What it has run, and what is aboard, when the targets are to be met; null for as it is. */
  meetAt: Pick<Situation, 'km' | 'aboard'> | null;
  adjusters: readonly Adjuster[];
  /** How much a move of each costs against the others; 1 where left out. */
  efforts?: readonly number[] | undefined;
  /** Indices of adjusters that move alike; every adjuster in one group. */
  groups: readonly (readonly number[])[];
  /** Adjusters of one kind left and right, by their indices: where they need the same they are told the same. */
  twins?: readonly (readonly [number, number])[] | undefined;
  /** Pairs of machines drawn around the likeliest to plan on: more find their way around knees, fewer are faster. */
  pairs: number;
  /** Whether moves that only twist the body are spared: so on four wheels; where a skid's arms stand in line each has its own sag. */
  spareTwist?: boolean | undefined;
  /** How to predict, where predictions are remembered. */
  predictAt?: ((situation: Situation) => Prediction) | undefined;
}

export interface AimSolution {
  /** By adjuster, mm in whole steps. */
  movesBy: number[];
  /** By adjuster: the best moves if nothing ran out and there were no steps. */
  freeBy: number[];
  to: Situation;
  prediction: Prediction;
  converged: boolean;
}

/**
 * Adjuster moves that bring all heights nearest their targets on the machine as it is believed to be. The full model is
 * linearised, solved within the limits, moved to, and linearised again until the moves stand still; whole steps are then
 * chosen together, and of the steps around them those with the best chance of landing.
 */
export function aimFor(problem: AimProblem): AimSolution {
  const machines = allowedMachines(problem);
  const within = settleOn(
    problem,
    machines,
    problem.adjusters.map(({ room }) => room),
  );
  const { smooth, linear, converged } = within;
  const predictAt = problem.predictAt ?? ((situation: Situation) => predict(problem.fit, situation));
  const ranOut = within.free.some((move, j) => atEnd(problem.adjusters[j] as Adjuster, move));
  const free = ranOut
    ? settleOn(
        problem,
        machines.slice(0, 1),
        problem.adjusters.map((one) => (isFixed(one) ? one.room : endless)),
      )
    : within;
  const first = moveFrom(problem, smooth);
  const prediction = predictAt(first);
  // What is wanted beside heights has no part in the chance: there the smooth steps stand.
  const chanceOf = chanceAround(problem, smooth, linear.influence, prediction);
  const stepped = problem.extras?.length ? smooth : likeliest(problem, smooth, chanceOf);
  const movesBy = evened(problem, within.free, stepped, chanceOf);
  const to = moveFrom(problem, movesBy);
  const last = movesBy.every((move, j) => move === smooth[j]) ? prediction : predictAt(to);
  return {
    movesBy,
    freeBy: free.free,
    to,
    prediction: last,
    converged: converged && last.outcome.converged,
  };
}

const endless: ThreadRoom = { down: -Infinity, up: Infinity };

/** Something that is there and must stay as it is. */
function isFixed({ choicesBy }: Adjuster): boolean {
  return choicesBy?.length === 1;
}

function atEnd(adjuster: Adjuster, move: number): boolean {
  const { room } = adjuster;
  return !isFixed(adjuster) && (move <= room.down + 1e-9 || move >= room.up - 1e-9);
}

/** The situation after these moves, when the targets are to be met. */
function moveFrom({ from, meetAt, adjusters }: AimProblem, movesBy: readonly number[]): Situation {
  const seatsBy = [...from.seatsBy];
  const mountsMm = [...from.mountsMm];
  adjusters.forEach(({ contact, kind }, j) => {
    const list = kind === 'seat' ? seatsBy : mountsMm;
    list[contact] = (list[contact] ?? 0) + entry(movesBy, j);
  });
  return { ...from, ...meetAt, seatsBy, mountsMm };
}

interface Linear {
  /** Goals x adjusters. */
  influence: number[][];
  twist: number[][];
  gains: number[];
}

/**
 * Machines that the readings allow: the likeliest and some drawn. Seats are planned on all of them at once, because near a
 * knee (a ring, the end of travel) the likeliest alone may say that a seat does nothing.
 */
function allowedMachines({ fit, pairs }: AimProblem): Values[] {
  const uniform = seededUniform(tolerances.planSeed);
  return [fit.values, ...Array.from({ length: pairs }, () => drawPair(fit, uniform)).flat()];
}

function settleOn(problem: AimProblem, machines: readonly Values[], rooms: readonly ThreadRoom[]) {
  let moves = problem.adjusters.map(() => 0);
  let free = moves;
  let linear: Linear = { influence: [], twist: [], gains: [] };
  let best = { moves, miss: Infinity };
  const goals = goalsOf(problem);
  const start = machines.map((values) =>
    goals.valuesOf(simulate(problem.fit.believed, values, moveFrom(problem, moves))),
  );
  const reach = rooms.map((room) => ({ ...room }));
  for (let round = 0; round < PLAN_ROUNDS; round++) {
    const here = simulate(problem.fit.believed, problem.fit.values, moveFrom(problem, moves));
    const miss = goals.missOf(here);
    if (miss < best.miss) best = { moves, miss };
    const from = wake(problem, here, moves, reach);
    const situation = moveFrom(problem, from);
    const awake = from.every((move, j) => move === moves[j]);
    const all = machines.map((values) => {
      const outcome =
        values === problem.fit.values && awake ? here : simulate(problem.fit.believed, values, situation);
      return { outcome, linear: linearise(problem, outcome) };
    });
    linear = (all[0] as (typeof all)[number]).linear;
    const rows = all.flatMap(({ outcome, linear: { influence: slopes } }, s) =>
      slopes.map((row, r) => ({
        row,
        // Of a drawn machine only what the moves do counts: where it stands now is for the likeliest to say.
        wanted: wantedAt(
          goals.targets[r] ?? null,
          (goals.valuesOf(outcome)[r] ?? 0) - entry(start[s] ?? [], r) + entry(start[0] ?? [], r),
          row,
          from,
        ),
        weight: (goals.weights[r] ?? 1) / machines.length,
      })),
    );
    const { seatsBy, smoothMm } = planSeats({
      ...linear,
      influence: rows.map(({ row }) => row),
      wanted: rows.map(({ wanted }) => wanted),
      weights: rows.map(({ weight }) => weight),
      rooms: reach,
      steps: problem.adjusters,
      // Only twist moves the cross weight: where that is asked for, it must be had.
      twistPenalty: goals.wantsWeight || problem.spareTwist === false ? 0 : TWIST_PENALTY,
      efforts: problem.efforts,
      groups: problem.groups,
    });
    free = smoothMm;
    const still = seatsBy.every((value, j) => Math.abs(value - entry(moves, j)) < 1e-9);
    moves = seatsBy;
    if (still) return { smooth: moves, free, linear, converged: true };
  }
  // Where straight steps go to and fro over a knee, the nearest place that was visited counts.
  return { smooth: best.moves, free, linear, converged: false };
}

/** What all moves together must add to a value, seen straight from where they are now. */
function wantedAt(
  target: number | null,
  heightMm: number,
  row: readonly number[],
  moves: readonly number[],
): number | null {
  if (target === null) return null;
  return target - heightMm + row.reduce((sum, value, j) => sum + value * entry(moves, j), 0);
}

/**
 * Moves with dead stretches passed. While a ring on the body holds its slider, raising the seat moves nothing until the
 * slider comes off; while a corner is pressed against an end of its travel, the seat first has to take up that force.
 */
function wake(
  problem: AimProblem,
  outcome: Outcome,
  moves: readonly number[],
  reach: ThreadRoom[],
): number[] {
  const { adjusters } = problem;
  return moves.map((move, j) => {
    const { contact, kind, stepBy, room } = adjusters[j] as Adjuster;
    const corner = outcome.solver.corners[contact];
    const up = wantedUp(problem, outcome, contact);
    if (kind !== 'seat' || !corner || up === null) return move;
    const passed = up > 1 ? deadStretchUp(outcome, contact, stepBy) : 0;
    const pressed = pressedStretch(outcome, contact) / (problem.fit.values.stepScales[contact] ?? 1);
    const along = Math.sign(pressed) * Math.sign(up);
    if (along === -1) return stopAtEnd(reach, j, { at: move + pressed, stepBy });
    const further = along === 1 ? pressed : passed;
    return Math.min(Math.max(move + further, room.down), room.up);
  });
}

/** mm that a contact's height, or else its sag, still wants the body to rise; null where nothing is wanted of it. */
function wantedUp(
  { fit, targets, extras = [] }: AimProblem,
  outcome: Outcome,
  contact: number,
): number | null {
  const { references } = fit.believed;
  const r = references.findIndex((reference, k) => reference.contact === contact && targets[k] !== null);
  if (r >= 0) return (targets[r] ?? 0) - entry(outcome.heights, r);
  const sag = extras.find((goal) => goal.kind === 'sag' && goal.contact === contact);
  return sag ? entry(outcome.travel, contact) - sag.target : null;
}

/** Past the end of travel a seat only adds force: `reach` (changed) ends a step before it, and so does the move. */
function stopAtEnd(reach: ThreadRoom[], j: number, { at, stepBy }: { at: number; stepBy: number }): number {
  const room = reach[j] as ThreadRoom;
  const inside = at > 0 ? at - stepBy / 100 : at + stepBy / 100;
  reach[j] =
    at > 0
      ? { ...room, up: Math.min(room.up, Math.max(inside, 0)) }
      : { ...room, down: Math.max(room.down, Math.min(inside, 0)) };
  return inside;
}

/** mm of seat until a slider held by its ring comes off it; 0 where the seat acts already, or never would. */
function deadStretchUp({ solver }: Outcome, contact: number, stepBy: number): number {
  const corner = solver.corners[contact] as CornerModel;
  const z = solver.z[contact] as number;
  const { seatBy, mountMm } = corner;
  corner.evaluate(z);
  const least = DEAD_GAIN * corner.rateNPerMm;
  let further = 0;
  while (seatForce(corner, z) < least && further < DEAD_STRETCH_MM) {
    further += stepBy;
    corner.set(seatBy + further, mountMm);
  }
  corner.set(seatBy, mountMm);
  return further < DEAD_STRETCH_MM ? further : 0;
}

/** mm of seat that take up what presses a corner against an end of its travel: down at full droop, up at metal. */
function pressedStretch({ solver }: Outcome, contact: number): number {
  const press = solver.pressN(contact);
  if (press === 0) return 0;
  const push = seatForce(solver.corners[contact] as CornerModel, solver.z[contact] as number);
  return push > 0 ? -press / push : 0;
}

/** Heights, twist and own-wheel gain per mm of each adjuster, at an outcome. */
function linearise(problem: AimProblem, outcome: Outcome): Linear {
  const { fit, adjusters, extras = [] } = problem;
  const { references, machine } = fit.believed;
  const { solver } = outcome;
  const seats = influence(solver);
  const rises = adjusters.map(({ contact, kind }) => {
    if (!seats)
      return {
        rows: [...references, ...extras].map(() => 0),
        contacts: machine.contacts.map(() => 0),
        gain: 0,
      };
    const corner = solver.corners[contact];
    const z = solver.z[contact] ?? 0;
    const scale = kind === 'seat' ? (fit.values.stepScales[contact] ?? 1) : 1;
    // A lower mount does to the body what a seat does, by the damper's ratio; it leaves travel and preload alone.
    const push = corner ? seatForce(corner, z) * scale : 0;
    corner?.evaluate(z);
    const rate = corner?.rateNPerMm ?? 0;
    const gain = kind === 'seat' ? (rate > 0 ? push / rate : 0) : 1 / (corner?.ratioAt(0) ?? 1);
    const asSeat = kind === 'seat' || push === 0 ? scale : (gain * rate) / push;
    const travelOwn = kind === 'mount' ? gain : 0;
    const body = (x: number, y: number) => {
      const row = new Float64Array(solver.m);
      solver.writeBasis(row, 0, x, y);
      return asSeat * row.reduce((sum, value, a) => sum + value * (seats.body[a]?.[contact] ?? 0), 0);
    };
    const travel = (i: number) =>
      asSeat * (seats.travel[i]?.[contact] ?? 0) + (i === contact ? travelOwn : 0);
    // What a mount adds to travel it adds to full droop too: the pads see only what the body does.
    const pad = (i: number) => asSeat * (seats.padsN[i]?.[contact] ?? 0);
    return {
      rows: [
        ...references.map(({ follows, contact: at, x, y }) => {
          if (follows === 'body') return body(x, y);
          // Hub-to-body height also grows by what the mount lowers full droop.
          if (follows === 'travel') return (at === contact ? travelOwn : 0) - travel(at);
          return -travel(at) * (solver.corners[at]?.ratioAt(solver.z[at] ?? 0) ?? 1);
        }),
        ...extras.map((goal) => {
          if (goal.kind === 'sag') return travel(goal.contact);
          // d(S/T) = (dS - (S/T) dT) / T
          const added = (pads: readonly number[]) => pads.reduce((sum, i) => sum + pad(i), 0);
          const whole = goal.of.reduce((sum, i) => sum + (solver.pads[i] ?? 0), 0);
          const change = added(goal.contacts) - extraValue(goal, outcome) * added(goal.of);
          return (mmPerShare(problem) * change) / whole;
        }),
      ],
      contacts: machine.contacts.map(({ x, y }) => body(x, y)),
      gain,
    };
  });
  const column = (j: number) => rises[j] as (typeof rises)[number];
  return {
    influence: build(references.length + extras.length, adjusters.length, (r, j) => entry(column(j).rows, r)),
    twist: build(
      machine.contacts.length,
      adjusters.length,
      (i, j) => (adjusters[j]?.contact === i ? column(j).gain : 0) - entry(column(j).contacts, i),
    ),
    gains: rises.map(({ gain }) => gain),
  };
}

type ChanceOf = (moves: readonly number[]) => number;

/** The chance of landing by moves near these, at which this is predicted. */
function chanceAround(
  problem: AimProblem,
  start: readonly number[],
  influence: number[][],
  at: Prediction,
): ChanceOf {
  const chance = chancesAround(at.covariance, problem.targets, problem.toleranceMm, SEARCH_DRAWS);
  return (moves) => {
    const mean = at.mean.map((value, r) =>
      moves.reduce((sum, move, j) => sum + (influence[r]?.[j] ?? 0) * (move - entry(start, j)), value),
    );
    return chance(mean);
  };
}

/**
 * Left and right alike where both need the same, as far as a turn can be told: drawn machines and whole steps would have
 * equal sides differ by a step.
 */
function evened(
  { twins = [], adjusters }: AimProblem,
  free: readonly number[],
  moves: readonly number[],
  chanceOf: ChanceOf,
): number[] {
  const alike = [...moves];
  for (const [j, k] of twins) {
    const { stepBy, room, choicesBy } = adjusters[j] as Adjuster;
    const other = adjusters[k] as Adjuster;
    const [left, right] = [entry(alike, j), entry(alike, k)];
    const needAlike = Math.abs(entry(free, j) - entry(free, k)) < SAME_NEED * stepBy;
    if (left === right || !needAlike || choicesBy || other.choicesBy || other.stepBy !== stepBy) continue;
    const able = [left, right].filter((by) =>
      [room, other.room].every(({ down, up }) => by >= down - 1e-9 && by <= up + 1e-9),
    );
    const [first, ...rest] = able.map((by) => alike.map((move, i) => (i === j || i === k ? by : move)));
    if (!first) continue;
    const best = rest.reduce((a, b) => (chanceOf(b) > chanceOf(a) ? b : a), first);
    alike.splice(0, alike.length, ...best);
  }
  return alike;
}

/** Of the whole steps around these moves, those with the best chance; ties go to the smaller miss. */
function likeliest(problem: AimProblem, start: readonly number[], chanceOf: ChanceOf): number[] {
  let best = [...start];
  let bestChance = chanceOf(best);
  for (let sweep = 0; sweep < CHANCE_SWEEPS; sweep++) {
    const before = bestChance;
    for (const group of problem.groups) {
      for (const sign of [1, -1] as const) {
        const moved = best.map((value, j) => (group.includes(j) ? stepFrom(problem, j, value, sign) : value));
        if (moved.some((value) => value === null)) continue;
        const likely = chanceOf(moved as number[]);
        // A step must earn its place: less than this is the noise of the draws.
        if (likely > bestChance + CHANCE_STEP) [best, bestChance] = [moved as number[], likely];
      }
    }
    if (bestChance === before) break;
  }
  return best;
}

function stepFrom({ adjusters }: AimProblem, j: number, moveBy: number, sign: 1 | -1): number | null {
  const adjuster = adjusters[j] as Adjuster;
  return nextStep(adjuster, adjuster.room, moveBy, sign);
}
