import type { CornerModel, CornerSetting } from '../machine/corner.ts';
import { seatForce } from '../machine/equilibrium.ts';
import { MachineSolver, GRAVITY } from '../machine/solver.ts';
import type { BelievedMachine, Situation } from './belief.ts';
import { inEra, settledShare, type Parameter, type Values } from './parameters.ts';

/** A believed machine with all its unknowns given values, brought to rest in a situation. */
export interface Outcome {
  solver: MachineSolver;
  settings: CornerSetting[];
  converged: boolean;
  /** By reference, mm. */
  heights: number[];
  /** Wheel travel used, by contact, mm. */
  travel: number[];
}

/** Settings of every corner with seats and mounts as set. */
function settingsIn(values: Values, { seatsBy, mountsMm, ringsMm }: Situation): CornerSetting[] {
  return values.settings.map((setting, i) => ({
    ...setting,
    seatBy: (seatsBy[i] ?? 0) * (values.stepScales[i] ?? 1),
    mountMm: mountsMm[i] ?? 0,
    ringsMm: ringsMm?.[i],
  }));
}

/** A spring that has lost so much height at the wheel presses as if its seat were lower by that times the ratio. */
function loseHeight(solver: MachineSolver, values: Values, situation: Situation): void {
  const share = settledShare(situation.km, values.settlingKm);
  if (share === 0) return;
  const { settlingMm } = inEra(values, situation);
  solver.corners.forEach((corner, i) => {
    const lostMm = Math.max(settlingMm[i] ?? 0, 0) * share;
    if (lostMm > 0 && corner.stack) corner.set(corner.seatBy - lostMm * corner.meanRatio, corner.mountMm);
  });
}

/** Brings a believed machine to rest. `round` adds that round's friction; without it there is none. */
export function simulate(
  believed: BelievedMachine,
  values: Values,
  situation: Situation,
  round?: number,
): Outcome {
  const settings = settingsIn(values, situation);
  const solver = new MachineSolver(believed.machine, settings);
  believed.machine.contacts.forEach((contact, i) => {
    solver.tyreRates[i] = contact.tyreRateNPerMm * (values.tyreScales[i] ?? 1);
  });
  solver.bars.forEach((bar, b) => (bar.rate *= values.barScales[b] ?? 1));
  const friction = round === undefined ? undefined : values.friction[round];
  return restIn(solver, settings, { believed, values, situation, friction });
}

/**
 * Brings a machine that `simulate` brought to rest to rest in another situation, from where it stands: about half the work.
 * The outcome passed in, of a machine without friction, is used up but for its heights and travels. Rings must stand alike in both.
 */
export function moveOn(
  { solver }: Outcome,
  believed: BelievedMachine,
  values: Values,
  situation: Situation,
): Outcome {
  const settings = settingsIn(values, situation);
  solver.corners.forEach((corner, i) =>
    corner.set(settings[i]?.seatBy ?? corner.seatBy, settings[i]?.mountMm ?? corner.mountMm),
  );
  believed.machine.contacts.forEach(({ padMm }, i) => (solver.padMm[i] = padMm));
  return restIn(solver, settings, { believed, values, situation });
}

interface Asked {
  believed: BelievedMachine;
  values: Values;
  situation: Situation;
  friction?: readonly number[] | undefined;
}

function restIn(
  solver: MachineSolver,
  settings: CornerSetting[],
  { believed, values, situation, friction }: Asked,
): Outcome {
  loseHeight(solver, values, situation);
  situation.floorBy?.forEach((mm, i) => (solver.padMm[i] = (solver.padMm[i] ?? 0) + mm));
  if (situation.level) solver.padMm.fill(0);
  solver.setMasses(massesAboard(believed, values, situation));
  // Its force is taken from the machine at rest with all of that.
  if (friction) solver.setFriction(friction);
  const { converged } = solver.solve();
  return {
    solver,
    settings,
    converged,
    heights: readHeights(believed, inEra(values, situation).constants, solver),
    travel: [...solver.z],
  };
}

function massesAboard({ machine }: BelievedMachine, values: Values, { aboard }: Situation): number[] {
  return machine.masses.map(({ kg }, k) => (aboard[k] === false ? 0 : kg * (values.massScales[k] ?? 1)));
}

function readHeights(
  { references }: BelievedMachine,
  constants: readonly number[],
  solver: MachineSolver,
): number[] {
  return references.map(({ follows, contact, x, y }, k) => {
    const constant = constants[k] ?? 0;
    // The tape stands on the floor beside its wheel, high or low as that is.
    if (follows === 'body') return constant + solver.bodyHeight(x, y) - (solver.padMm[contact] ?? 0);
    const corner = solver.corners[contact];
    const z = solver.z[contact] ?? 0;
    // A lower mount screwed out lets the wheel hang lower: hub-to-body heights gain that.
    return follows === 'travel'
      ? constant + (corner ? corner.droopShiftMm - corner.linkRiseMm : 0) - z
      : constant - (corner?.damperAt(z) ?? 0);
  });
}

/** Derivatives of heights (by reference), travels and pad loads (by contact) by each parameter's coordinate, at an outcome. */
export interface Sensitivity {
  /** references x parameters, row-major. */
  heights: Float64Array;
  /** contacts x parameters, row-major. */
  travel: Float64Array;
  /** contacts x parameters, row-major, N. */
  pads: Float64Array;
  firm: boolean;
}

/**
 * By the implicit function theorem d[q, z]/dp = -H^-1 dg/dp, where a parameter changes the gradient g of the energy
 * only where it acts: a corner's own wheel force (differences at a fixed travel), its tyre, or the load on the body.
 */
export function sensitivity(
  believed: BelievedMachine,
  parameters: readonly Parameter[],
  values: Values,
  outcome: Outcome,
  situation: Situation,
  round?: number,
): Sensitivity {
  const { machine, references } = believed;
  const { solver } = outcome;
  const { n, m } = solver;
  const count = parameters.length;
  const result: Sensitivity = {
    heights: new Float64Array(references.length * count),
    travel: new Float64Array(n * count),
    pads: new Float64Array(n * count),
    firm: solver.differentiate(),
  };
  if (!result.firm) return result;
  const forces = machine.contacts.map((_, i) => cornerForces(outcome, i));
  const basisAt = ({ x, y }: { x: number; y: number }) => {
    const row = new Float64Array(m);
    solver.writeBasis(row, 0, x, y);
    return row;
  };
  const basis = references.map(basisAt);
  const footing = machine.contacts.map(basisAt);
  const change = new Float64Array(m + n);
  const share = settledShare(situation.km, values.settlingKm);
  const scratch = { believed, solver, forces, values, situation, share, round };
  parameters.forEach((parameter, k) => {
    change.fill(0);
    if (!gradientChange(parameter, scratch, change)) {
      if (parameter.kind === 'constant' && parameter.era === (situation.era ?? 0))
        result.heights[parameter.reference * count + k] = parameter.sd;
      return;
    }
    solver.respond(change);
    for (let i = 0; i < n; i++) {
      result.travel[i * count + k] = (change[m + i] as number) * parameter.sd;
      result.pads[i * count + k] =
        (padChange(outcome, parameter, footing[i] as Float64Array, change, i) +
          (solver.pads[i] === 0 ? 0 : (solver.tyreRates[i] as number) * droopChange(parameter, i, scratch))) *
        parameter.sd;
    }
    references.forEach(({ follows, contact }, r) => {
      let rise = 0;
      if (follows === 'body')
        for (let a = 0; a < m; a++) rise += (basis[r]?.[a] ?? 0) * (change[a] as number);
      else if (follows === 'travel')
        rise = droopChange(parameter, contact, scratch) - (change[m + contact] as number);
      else
        rise =
          -(change[m + contact] as number) * (forces[contact]?.ratio ?? 1) -
          stretch(parameter, contact, scratch);
      result.heights[r * count + k] = rise * parameter.sd;
    });
  });
  return result;
}

/** A pad's load is its tyre's rate times its squeeze, which is less by what the body and the wheel's travel rise. */
function padChange(
  { solver }: Outcome,
  parameter: Parameter,
  basis: Float64Array,
  change: Float64Array,
  i: number,
): number {
  const load = solver.pads[i] as number;
  if (load === 0) return 0;
  let rise = change[solver.m + i] as number;
  for (let a = 0; a < solver.m; a++) rise += (basis[a] as number) * (change[a] as number);
  const own = parameter.kind === 'tyre' && parameter.contact === i ? load : 0;
  return own - (solver.tyreRates[i] as number) * rise;
}

interface Scratch {
  believed: BelievedMachine;
  solver: MachineSolver;
  forces: CornerForces[];
  values: Values;
  situation: Situation;
  share: number;
  round: number | undefined;
}

/** How a damper's own reading grows with its ratio at a fixed travel. */
function stretch(parameter: Parameter, contact: number, { believed, solver }: Scratch): number {
  const corner = solver.corners[contact];
  if (!corner || !isRatioOf(parameter, contact, believed)) return 0;
  const z = solver.z[contact] ?? 0;
  // What the mount adds is no part of the map; that full droop shifts moves the map along.
  return corner.damperAt(z) - corner.mountMm - corner.ratioAt(z) * corner.droopShiftSlope();
}

/** Whether a parameter is the ratio of a contact, its own or its axle's. */
function isRatioOf(parameter: Parameter, contact: number, { machine }: BelievedMachine): boolean {
  if (parameter.kind === 'axle-ratio') return machine.contacts[contact]?.axle === parameter.axle;
  return parameter.kind === 'ratio' && parameter.contact === contact;
}

/** How the droop shift of a lower mount grows with a parameter, mm per unit. */
function droopChange(parameter: Parameter, contact: number, { believed, solver }: Scratch): number {
  return isRatioOf(parameter, contact, believed) ? (solver.corners[contact]?.droopShiftSlope() ?? 0) : 0;
}

/** A wheel that hangs higher in the frame presses its tyre less: on the wheel and on the body over it. */
function pressLess(parameter: Parameter, scratch: Scratch, change: Float64Array): void {
  const { believed, solver } = scratch;
  const { n, m } = solver;
  for (let i = 0; i < n; i++) {
    const contact = believed.machine.contacts[i];
    const shift = droopChange(parameter, i, scratch);
    if (!contact || shift === 0 || solver.pads[i] === 0) continue;
    const lift = -(solver.tyreRates[i] as number) * shift;
    const basis = new Float64Array(m);
    solver.writeBasis(basis, 0, contact.x, contact.y);
    for (let a = 0; a < m; a++) change[a] = (change[a] as number) + lift * (basis[a] as number);
    change[m + i] = (change[m + i] as number) + lift;
  }
}

interface CornerForces {
  logRatio: number;
  rise: number;
  preload: number;
  springs: number[];
  rate: number;
  ratio: number;
}

/** Derivatives of one corner's wheel force at its travel, N per unit of each. */
function cornerForces({ solver, settings }: Outcome, i: number): CornerForces {
  const corner = solver.corners[i] as CornerModel;
  const z = solver.z[i] as number;
  corner.evaluate(z);
  return {
    rate: corner.rateNPerMm,
    ratio: corner.ratioAt(z),
    preload: seatForce(corner, z),
    springs: settings[i]?.springScales.map((_, k) => corner.springSlope(k, z)) ?? [],
    ...corner.ratioSlopes(z),
  };
}

/** Writes the change of g by one unit of a parameter; false when it changes none. */
function gradientChange(parameter: Parameter, scratch: Scratch, change: Float64Array): boolean {
  const { believed, solver, forces, values, situation, share, round } = scratch;
  const { n, m } = solver;
  const push = (i: number, by: number) => (change[m + i] = (change[m + i] as number) + by);
  const eachOf = (axle: string, by: (one: CornerForces) => number) =>
    forces.forEach((one, i) => believed.machine.contacts[i]?.axle === axle && push(i, by(one)));
  /** What losing so much of its preload, per mm that it is to lose in all, takes off a corner's force. */
  const lost = inEra(values, situation).settlingMm;
  const lose = (i: number, part: number) => {
    const one = forces[i] as CornerForces;
    if ((lost[i] ?? 0) > 0 && solver.corners[i]?.stack) push(i, -part * one.ratio * one.preload);
  };
  switch (parameter.kind) {
    case 'axle-ratio':
      eachOf(parameter.axle, ({ logRatio }) => logRatio);
      pressLess(parameter, scratch, change);
      return true;
    case 'axle-rise':
      eachOf(parameter.axle, ({ rise }) => rise);
      return true;
    case 'axle-spring':
      eachOf(parameter.axle, ({ springs }) => springs.reduce((sum, one) => sum + one, 0));
      return true;
    case 'ratio':
      push(parameter.contact, forces[parameter.contact]?.logRatio ?? 0);
      pressLess(parameter, scratch, change);
      return true;
    case 'preload':
      push(parameter.contact, forces[parameter.contact]?.preload ?? 0);
      return true;
    case 'spring':
      push(parameter.contact, forces[parameter.contact]?.springs[parameter.spring] ?? 0);
      return true;
    case 'tyre':
      return tyreChange(scratch, parameter.contact, change);
    case 'mass': {
      const mass = believed.machine.masses[parameter.mass];
      if (!mass || situation.aboard[parameter.mass] === false) return false;
      solver.writeBasis(change, 0, mass.x, mass.y);
      for (let a = 0; a < m; a++) change[a] = (change[a] as number) * mass.kg * GRAVITY;
      return true;
    }
    case 'bar': {
      const bar = solver.bars[parameter.bar];
      if (!bar) return false;
      const force = bar.rate * ((solver.z[bar.a] as number) - (solver.z[bar.b] as number) - bar.offset);
      push(bar.a, force);
      push(bar.b, -force);
      return true;
    }
    case 'step':
      // Through the seat that has gone so far: dF / d log = F' s.
      for (const i of parameter.contacts)
        push(i, (forces[i]?.preload ?? 0) * (situation.seatsBy[i] ?? 0) * (values.stepScales[i] ?? 1));
      return true;
    case 'settling-all':
      if (parameter.era !== (situation.era ?? 0)) return false;
      for (let i = 0; i < n; i++) lose(i, share);
      return share > 0;
    case 'settling-own':
      if (parameter.era !== (situation.era ?? 0)) return false;
      lose(parameter.contact, share);
      return share > 0;
    case 'settling-km':
      if (share === 0) return false;
      // d(1 - exp(-K/t)) / d log t = -(K/t) exp(-K/t).
      for (let i = 0; i < n; i++) lose(i, -(lost[i] ?? 0) * (situation.km / values.settlingKm) * (1 - share));
      return true;
    case 'friction':
      if (parameter.round !== round) return false;
      push(parameter.contact, -(forces[parameter.contact]?.rate ?? 0));
      return true;
    // What pictures have wrong moves nothing.
    case 'pictures':
    case 'constant':
      return false;
  }
}

/** A stiffer tyre pushes back more where it is: with its own force for each unit of the logarithm. */
function tyreChange({ solver, believed }: Scratch, i: number, change: Float64Array): boolean {
  const { m } = solver;
  const contact = believed.machine.contacts[i];
  if (!contact) return false;
  const force = solver.pads[i] as number;
  solver.writeBasis(change, 0, contact.x, contact.y);
  for (let a = 0; a < m; a++) change[a] = (change[a] as number) * -force;
  change[m + i] = -force;
  return true;
}
