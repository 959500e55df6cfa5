import { factorInPlace, solveInPlace } from '../numerics/flatCholesky.ts';
import type { Axle } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import type { BelievedMachine, Situation } from './belief.ts';
import { parametersOf, unpack, type Parameter, type Values } from './parameters.ts';
import { sensitivity, simulate, type Outcome } from './simulate.ts';

/** deviations. A reading further off than this is weighed down: Huber's 2.5 costs under 1 % where all is right. */
const STRAY_LIMIT = 2.5;
/** steps. A fit needs three to six. */
const FIT_STEPS = 12;
/** absolute, in squared deviations. A fit that gains less than this is done. */
const FIT_GAIN = 1e-4;

/** A reading with one standard deviation; `index` is that of the reference, or of the contact. */
export type Reading = LengthReading | PadReading;

export interface LengthReading {
  what: 'height' | 'travel';
  index: number;
  mm: number;
  sdMm: number;
  /** Off pictures heights are read that all of them have wrong together. */
  by?: 'picture' | undefined;
}

/** The force on a pad. */
interface PadReading {
  what: 'pad';
  index: number;
  forceN: number;
  sdN: number;
}

/** What was read and its standard deviation, in whatever unit it was read. */
export function readAs(reading: Reading): { value: number; sd: number } {
  return reading.what === 'pad'
    ? { value: reading.forceN, sd: reading.sdN }
    : { value: reading.mm, sd: reading.sdMm };
}

/** What was read in one round, in the situation the machine was in. */
export interface RoundEvidence {
  situation: Situation;
  readings: readonly Reading[];
  /** Times the usual friction: more where nothing was settled. */
  frictionScale: number;
}

/** What is known of a machine after all readings: normal in the parameters' coordinates about the best fit. */
export interface Fit {
  believed: BelievedMachine;
  parameters: Parameter[];
  /** Best coordinates. */
  best: Float64Array;
  values: Values;
  /** Lower Cholesky factor of the precision in the coordinates, row-major. */
  factor: Float64Array;
  /** How the machine stood in each round, friction included. */
  rounds: Outcome[];
  /** For each round, how much each reading counts: 1, or less where it does not agree with the rest. */
  weights: number[][];
  /** What is minimised, at the best fit: squares of coordinates and of weighed misses. */
  cost: number;
  converged: boolean;
}

/**
 * Most probable machine given all readings, and the spread about it.
 *
 * Minimise |x|^2 + sum w ((read - model(x)) / sd)^2 over the standard normal coordinates x by Gauss and Newton, with
 * the step halved while it does not help; precision at the minimum is I + J'WJ (Laplace's approximation). Readings
 * further off than `strayLimit` deviations are weighed down by Huber's rule, so that one that does not agree with the
 * rest pulls less the further off it is. `near` is the fit of a machine much like it, to start from;
 * a fit that gains less than `gain` in squared deviations is done.
 */
export function fit(
  believed: BelievedMachine,
  rounds: readonly RoundEvidence[],
  { near, gain = FIT_GAIN }: { near?: Fit; gain?: number } = {},
): Fit {
  const earlier = Math.max(0, ...rounds.map(({ situation }) => situation.era ?? 0));
  const parameters = parametersOf(believed, rounds.length, earlier);
  parameters.forEach((parameter) => {
    if (parameter.kind === 'friction') parameter.sd *= rounds[parameter.round]?.frictionScale ?? 1;
  });
  const start = near?.best.length === parameters.length ? near.best : startOf(believed, parameters, rounds);
  const descend = (from: Point) => descended(believed, parameters, rounds, { from, gain });
  const first = evaluate(believed, parameters, rounds, start);
  const plain = descend(first);
  const off = offTheEnds(believed, parameters, rounds, plain.here);
  const freed = off && descend(off);
  const { here, converged } = freed && freed.here.cost < plain.here.cost ? freed : plain;
  const { factor, weights } = normalEquations(believed, parameters, rounds, here);
  return {
    believed,
    parameters,
    best: here.x,
    values: here.values,
    factor,
    rounds: here.outcomes,
    weights,
    cost: here.cost,
    converged,
  };
}

interface Point {
  x: Float64Array;
  values: Values;
  outcomes: Outcome[];
  cost: number;
}

/** Every unknown at its mean, but constants where the first readings of what was fitted then put them. */
function startOf(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
): Float64Array {
  const x = new Float64Array(parameters.length);
  const values = unpack(believed, parameters, x);
  const began = values.eras.map((_, era) => {
    const r = rounds.findIndex(({ situation }) => (situation.era ?? 0) === era);
    const first = rounds[r];
    return first && { first, plain: simulate(believed, values, first.situation, r) };
  });
  parameters.forEach((parameter, k) => {
    if (parameter.kind !== 'constant' || parameter.sd < 100) return;
    const era = began[parameter.era];
    if (!era) return;
    const { first, plain } = era;
    const readings = first.readings.flatMap((one) =>
      one.what === 'height' && one.index === parameter.reference ? [one.mm] : [],
    );
    if (readings.length === 0) return;
    // Their mean: between two that do not agree nothing says which is right.
    const mm = meanOf(readings);
    x[k] = (mm - (plain.heights[parameter.reference] ?? 0)) / parameter.sd;
  });
  return x;
}

/** Steps of the fit from a start until a step gains nothing to speak of. */
function descended(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  { from, gain }: { from: Point; gain: number },
): { here: Point; converged: boolean } {
  let here = from;
  let converged = false;
  for (let i = 0; i < FIT_STEPS && !converged; i++) {
    const next = improve(believed, parameters, rounds, here);
    converged = next === null || here.cost - next.cost < gain;
    here = next ?? here;
  }
  return { here, converged };
}

/** deviations. By so much all that holds a contact against its end is let go, until it comes off. */
const OFF_END = [0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4, 6, 8];

/**
 * Another start, where a fit leaves a contact pressed against an end of its travel that its own readings show it off: against
 * an end nothing that gives a little changes anything, so that it would stay there. Springs, preload, ratios and load give way
 * together, softer and heavier from full droop, stiffer and lighter from metal, until it is off. Null where there is no such
 * contact, or none comes off.
 */
function offTheEnds(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  stuck: Point,
): Point | null {
  const ends = endsDenied(believed, rounds, stuck);
  if (ends.size === 0) return null;
  const ofAxle = (axle: Axle) =>
    [...ends].find(([contact]) => believed.machine.contacts[contact]?.axle === axle)?.[1] ?? 0;
  const away = parameters.map((parameter) => {
    switch (parameter.kind) {
      case 'spring':
      case 'preload':
      case 'ratio':
        return ends.get(parameter.contact) ?? 0;
      case 'axle-spring':
      case 'axle-ratio':
        return ofAxle(parameter.axle);
      case 'mass':
        return -([...ends.values()][0] ?? 0);
      default:
        return 0;
    }
  });
  for (const size of OFF_END) {
    const x = stuck.x.map((one, k) => one + size * (away[k] ?? 0));
    const tried = evaluate(believed, parameters, rounds, x);
    const isOff = (contact: number) => tried.outcomes.every(({ solver }) => solver.endOf(contact) === 0);
    if ([...ends.keys()].every(isOff)) return tried;
  }
  return null;
}

/** Contacts at an end of their travel whose readings are far off it: -1 at full droop, where softer springs would leave it, 1 at metal. */
function endsDenied(
  { references }: BelievedMachine,
  rounds: readonly RoundEvidence[],
  { outcomes, values }: Point,
): Map<number, number> {
  const ends = new Map<number, number>();
  rounds.forEach(({ readings }, r) => {
    const outcome = outcomes[r] as Outcome;
    for (const reading of readings) {
      if (reading.what === 'pad') continue;
      const contact = reading.what === 'travel' ? reading.index : (references[reading.index]?.contact ?? -1);
      const end = outcome.solver.endOf(contact);
      if (end !== 0 && Math.abs(miss(reading, outcome, values)) > STRAY_LIMIT) ends.set(contact, end);
    }
  });
  return ends;
}

function evaluate(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  x: Float64Array,
): Point {
  const values = unpack(believed, parameters, x);
  const outcomes = rounds.map(({ situation }, r) => simulate(believed, values, situation, r));
  let cost = x.reduce((sum, one) => sum + one * one, 0);
  rounds.forEach(({ readings }, r) => {
    for (const reading of readings) cost += huber(miss(reading, outcomes[r] as Outcome, values));
  });
  return { x, values, outcomes, cost };
}

/** Deviations by which a reading is off the model. */
function miss(reading: Reading, { heights, travel, solver }: Outcome, { picturesMm }: Values): number {
  const from = { height: heights, travel, pad: solver.pads }[reading.what];
  const { value, sd } = readAs(reading);
  const off = isByPicture(reading) ? (picturesMm[reading.index] ?? 0) : 0;
  return (value - (from[reading.index] ?? NaN) - off) / sd;
}

const isByPicture = (reading: Reading): boolean => reading.what !== 'pad' && reading.by === 'picture';

function huber(deviations: number): number {
  const size = Math.abs(deviations);
  const k = STRAY_LIMIT;
  return size <= k ? size * size : k * (2 * size - k);
}

function improve(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  here: Point,
): Point | null {
  const { factor, right } = normalEquations(believed, parameters, rounds, here);
  const n = parameters.length;
  solveInPlace(factor, n, n, right);
  for (let share = 1; share > 0.01; share /= 2) {
    const next = evaluate(
      believed,
      parameters,
      rounds,
      here.x.map((one, k) => one + share * (right[k] as number)),
    );
    if (next.cost < here.cost) return next;
  }
  return null;
}

/** Factor of I + J'WJ, and -x + J'W r, at a point. */
function normalEquations(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  { x, values, outcomes }: Point,
) {
  const n = parameters.length;
  const factor = new Float64Array(n * n);
  for (let k = 0; k < n; k++) factor[k * n + k] = 1;
  const right = x.map((one) => -one);
  const weights = rounds.map(({ situation, readings }, r) => {
    const outcome = outcomes[r] as Outcome;
    const slopes = sensitivity(believed, parameters, values, outcome, situation, r);
    return readings.map((reading) => {
      const off = miss(reading, outcome, values);
      const weight = Math.abs(off) <= STRAY_LIMIT ? 1 : STRAY_LIMIT / Math.abs(off);
      const from = { height: slopes.heights, travel: slopes.travel, pad: slopes.pads }[reading.what];
      const plain = from.subarray(reading.index * n, (reading.index + 1) * n);
      const row = isByPicture(reading) ? withPictures(plain, parameters, reading.index) : plain;
      addRow(factor, right, row, { off, weight, sd: readAs(reading).sd });
      return weight;
    });
  });
  if (!factorInPlace(factor, n, n, 0)) throw new Error('expected a positive definite precision, got none');
  return { factor, right, weights };
}

/** How a reading off a picture goes with every parameter: as a height does, and with what all pictures there have wrong. */
function withPictures(
  plain: Float64Array,
  parameters: readonly Parameter[],
  reference: number,
): Float64Array {
  const k = parameters.findIndex((one) => one.kind === 'pictures' && one.reference === reference);
  const own = parameters[k];
  if (!own) return plain;
  const row = Float64Array.from(plain);
  row[k] = own.sd;
  return row;
}

function addRow(
  matrix: Float64Array,
  right: Float64Array,
  row: Float64Array,
  { off, weight, sd }: { off: number; weight: number; sd: number },
): void {
  const n = right.length;
  for (let a = 0; a < n; a++) {
    const slope = row[a] as number;
    if (slope === 0) continue;
    const scaled = (slope * weight) / sd;
    right[a] = (right[a] as number) + scaled * off;
    for (let b = 0; b <= a; b++)
      matrix[a * n + b] = (matrix[a * n + b] as number) + (scaled * (row[b] as number)) / sd;
  }
}
