import { factorInPlace, solveInPlace } from '../numerics/flatCholesky.ts';
import type { Axle } from '../kinds/corners.ts';
import type { BelievedMachine, Situation } from './belief.ts';
import { parametersOf, unpack, type Parameter, type Values } from './parameters.ts';
import { sensitivity, simulate, type Outcome } from './simulate.ts';

/** deviations. A reading further off than this is weighed down: Huber's 2.5 costs under 1 % where all is right. */
const STRAY_LIMIT = 2.5;
/** steps. A fit needs three to six. */
const FIT_STEPS = 60;
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
 * Minimise |x|^2 + sum w ((read - model(x)) / sd)^2 over the standard normal coordinates x by Levenberg and Marquardt;
 * precision at the minimum is I + J'WJ (Laplace's approximation). Readings further off than `STRAY_LIMIT` deviations are
 * weighed down by Huber's rule, so that one that does not agree with the rest pulls less the further off it is. `near` is the
 * fit of a machine much like it, to start from; a fit that gains less than `gain` in squared deviations is done.
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
  const start = near?.best.length === parameters.length ? near.best : new Float64Array(parameters.length);
  const descend = (from: Point) => descended(believed, parameters, rounds, { from, gain });
  const first = evaluate(believed, parameters, rounds, start);
  const plain = descend(first);
  const off = offTheEnds(believed, parameters, rounds, plain.here);
  const freed = off && descend(off);
  const { here, converged } = freed && freed.here.cost < plain.here.cost ? freed : plain;
  const { precision, weights } = normalEquations(believed, parameters, rounds, here);
  const factor = factored(precision, parameters.length, 0);
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

/** What would be minimised for other readings of a fitted machine, where its fit ended. */
export const costAt = ({ believed, parameters, best }: Fit, rounds: readonly RoundEvidence[]): number =>
  evaluate(believed, parameters, rounds, best).cost;

interface Point {
  x: Float64Array;
  values: Values;
  outcomes: Outcome[];
  cost: number;
}

/** Steps of the fit from a start until a step gains nothing to speak of. */
function descended(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  { from, gain }: { from: Point; gain: number },
): { here: Point; converged: boolean } {
  let here = from;
  let damping = 0;
  let converged = false;
  for (let i = 0; i < FIT_STEPS && !converged; i++) {
    const next = improve(believed, parameters, rounds, { here, damping });
    converged = next === null || here.cost - next.here.cost < gain;
    if (next) ({ here, damping } = next);
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
  from: Float64Array,
): Point {
  const values = unpack(believed, parameters, from);
  const outcomes = rounds.map(({ situation }, r) => simulate(believed, values, situation, r));
  const x = placed(parameters, rounds, { x: from, values, outcomes });
  let cost = x.reduce((sum, one) => sum + one * one, 0);
  rounds.forEach(({ readings }, r) => {
    for (const reading of readings) cost += huber(miss(reading, outcomes[r] as Outcome, values));
  });
  return { x, values, outcomes, cost };
}

/** mm. A reference known worse than this beforehand stands where its readings put it. */
const FREE_MM = 100;
/** Whether it is a reference that its readings alone place. */
export const isFree = (one: Parameter): one is Extract<Parameter, { kind: 'constant' }> =>
  one.kind === 'constant' && one.sd >= FREE_MM;
/** Turns in which a reference is placed, and the share of a deviation by which the last moves it. */
const PLACING = { turns: 20, deviations: 1e-4 };

/**
 * Puts every free reference where its readings agree best while the machine stands as it does, in the outcomes and values too. A step of the
 * fit may then go as far as the machine's own unknowns let it: the reference need not follow a curve by straight steps.
 * @returns the coordinates with those of the references.
 */
function placed(
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  { x, values, outcomes }: Omit<Point, 'cost'>,
): Float64Array {
  const to = x.slice();
  parameters.forEach((parameter, k) => {
    if (!isFree(parameter)) return;
    const { reference, era } = parameter;
    const own = rounds.flatMap(({ situation, readings }, r) => {
      if ((situation.era ?? 0) !== era) return [];
      const outcome = outcomes[r] as Outcome;
      return readings.flatMap((one) =>
        one.what === 'height' && one.index === reference
          ? [{ off: miss(one, outcome, values), sd: one.sdMm }]
          : [],
      );
    });
    const byMm = shiftOf(own, (to[k] as number) * parameter.sd, parameter.sd);
    to[k] = (to[k] as number) + byMm / parameter.sd;
    const place = values.eras[era];
    if (place) place.constants[reference] = (place.constants[reference] ?? 0) + byMm;
    rounds.forEach(({ situation }, r) => {
      const { heights } = outcomes[r] as Outcome;
      if ((situation.era ?? 0) === era) heights[reference] = (heights[reference] ?? 0) + byMm;
    });
  });
  return to;
}

/** mm by which a reference is to be moved for its readings, off by so many deviations, to agree best by Huber's rule. */
function shiftOf(readings: readonly { off: number; sd: number }[], mm: number, priorSdMm: number): number {
  let by = 0;
  for (let turn = 0; turn < PLACING.turns; turn++) {
    let [pull, weight] = [-(mm + by) / priorSdMm ** 2, 1 / priorSdMm ** 2];
    let least = priorSdMm;
    for (const { off, sd } of readings) {
      const left = off - by / sd;
      const counts = Math.min(1, STRAY_LIMIT / Math.abs(left)) / sd;
      pull += counts * left;
      weight += counts / sd;
      least = Math.min(least, sd);
    }
    by += pull / weight;
    if (Math.abs(pull / weight) < PLACING.deviations * least) break;
  }
  return by;
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

/** Shares of the gain that was to be expected: after less than the least the next step is shorter, after more than the most longer. */
const EXPECTED = { least: 0.25, most: 0.75 };
/** Where a step does not help, so much is added to the precision of every coordinate (1 before any reading), then so many times more. */
const DAMPING = { first: 1, times: 4, tries: 9 };

/** A point of the fit, and how much the next step from it is held back. */
interface Walked {
  here: Point;
  damping: number;
}

/**
 * One step of Levenberg's and Marquardt's: that of Gauss and Newton where the model goes straight, and where it has a corner, as where a
 * spring of a stack goes solid, a shorter one that turns towards the steepest way down. Null where none of them helps.
 */
function improve(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  { here, damping: first }: Walked,
): Walked | null {
  const { precision, right } = normalEquations(believed, parameters, rounds, here);
  for (let damping = first, k = 0; k < DAMPING.tries; k++, damping = more(damping)) {
    const step = right.slice();
    solveInPlace(factored(precision, parameters.length, damping), step.length, step.length, step);
    const x = here.x.map((one, i) => one + (step[i] as number));
    const next = evaluate(believed, parameters, rounds, x);
    if (next.cost >= here.cost) continue;
    const expected = step.reduce((sum, one, i) => sum + one * ((right[i] as number) + damping * one), 0);
    const share = (here.cost - next.cost) / expected;
    const held = share < EXPECTED.least ? more(damping) : share > EXPECTED.most ? less(damping) : damping;
    return { here: next, damping: held };
  }
  return null;
}

const more = (damping: number): number => (damping === 0 ? DAMPING.first : damping * DAMPING.times);
const less = (damping: number): number => (damping <= DAMPING.first ? 0 : damping / DAMPING.times);

/** Lower Cholesky factor of a precision with so much added to each of its diagonal. */
function factored(precision: Float64Array, n: number, added: number): Float64Array {
  const factor = precision.slice();
  for (let k = 0; k < n; k++) factor[k * n + k] = (factor[k * n + k] as number) + added;
  if (!factorInPlace(factor, n, n, 0)) throw new Error('expected a positive definite precision, got none');
  return factor;
}

/** I + J'WJ, and -x + J'W r, at a point. */
function normalEquations(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  rounds: readonly RoundEvidence[],
  { x, values, outcomes }: Point,
) {
  const n = parameters.length;
  const precision = new Float64Array(n * n);
  for (let k = 0; k < n; k++) precision[k * n + k] = 1;
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
      addRow(precision, right, row, { off, weight, sd: readAs(reading).sd });
      return weight;
    });
  });
  return { precision, right, weights };
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
