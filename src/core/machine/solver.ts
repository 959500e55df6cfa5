import { factorInPlace, solveInPlace } from '../numerics/flatCholesky.ts';
import { CornerModel, plainSetting, type CornerSetting } from './corner.ts';
import type { MachineDescription } from './description.ts';

/** N, absolute. An equilibrium's largest force out of balance: under 1e-8 mm on any real spring. */
const BALANCE_N = 1e-6;
/** N/mm, absolute. A pivot below this is a body that nothing holds. */
const PIVOT_N_PER_MM = 1e-9;
/** steps. Newton needs five to ten, and one for each end of travel met; more is a machine that tips over. */
const NEWTON_STEPS = 60;

/** Standard gravity, m/s2: kg to N. */
export const GRAVITY = 9.80665;
/** Body tilts are per metre, so that all freedoms are of like size. */
const METRE = 1000;

export interface SolveReport {
  converged: boolean;
  iterations: number;
  /** Largest force out of balance, N. */
  residualN: number;
}

interface Bar {
  a: number;
  b: number;
  rate: number;
  offset: number;
}

/**
 * Equilibrium of a rigid body on its contacts: the minimum of
 *
 *   E(q, z) = sum U_i(z_i) + sum kt t_i^2 / 2 + sum kb (z_a - z_b - o)^2 / 2 + sum m g B q + sum mu g u_i
 *
 * over heave, pitch and roll q (heave and pitch when all contacts are in line) and the travels z, with
 * 0 <= z_i <= zMax_i. Body height at a place h = B q, B = (1, x, y); wheel centre u = h + z over its place at full
 * droop; tyre compression t = pad - u where that is above zero, else the wheel is in the air. Heights are over an
 * origin at which an unloaded tyre just touches with the wheel at full droop.
 *
 * Newton's method with an active set for the ends of travel; the step is shortened where the slope of E along it has
 * turned (straight pieces of springs, tyres leaving the ground). All buffers are made once: solving allocates nothing.
 */
export class MachineSolver {
  readonly corners: CornerModel[];
  readonly n: number;
  /** Freedoms of the body: 3, or 2 when the contacts are in line. */
  readonly m: number;
  /** Solution: travel of each contact, mm. */
  readonly z: Float64Array;
  /** Solution: the body's height (mm), and its rise per metre forward and to the left. */
  readonly q: Float64Array;
  /** N on each tyre or pad. */
  readonly pads: Float64Array;
  /** Row-major derivative of [q, z] for a force of 1 N on each travel, N^-1: made by `differentiate`. */
  readonly travelResponse: Float64Array;
  readonly padMm: Float64Array;
  readonly tyreRates: Float64Array;
  readonly bars: Bar[];
  /** Sum of g m B, and the weights themselves. */
  private readonly load: Float64Array;
  private readonly unsprungN: Float64Array;
  private readonly frictionN: Float64Array;
  private readonly basis: Float64Array;
  private readonly gradient: Float64Array;
  private readonly hessian: Float64Array;
  private readonly factor: Float64Array;
  private readonly step: Float64Array;
  private readonly trial: Float64Array;
  private readonly at: Float64Array;
  private readonly bound: Int8Array;
  private readonly size: number;
  private warm = false;

  /** The description must have been checked. */
  constructor(
    readonly description: MachineDescription,
    settings: readonly CornerSetting[] = [],
  ) {
    const { contacts, bars } = description;
    this.corners = contacts.map((contact, i) => new CornerModel(contact, settings[i] ?? plainSetting));
    this.n = contacts.length;
    this.m = inLine(contacts) ? 2 : 3;
    this.size = this.n + this.m;
    this.basis = new Float64Array(this.n * this.m);
    contacts.forEach(({ x, y }, i) => this.writeBasis(this.basis, i * this.m, x, y));
    this.z = new Float64Array(this.n);
    this.q = new Float64Array(this.m);
    this.pads = new Float64Array(this.n);
    this.padMm = Float64Array.from(contacts, ({ padMm }) => padMm);
    this.tyreRates = Float64Array.from(contacts, ({ tyreRateNPerMm }) => tyreRateNPerMm);
    this.unsprungN = Float64Array.from(contacts, ({ unsprungKg }) => unsprungKg * GRAVITY);
    this.frictionN = new Float64Array(this.n);
    this.load = new Float64Array(this.m);
    const index = (name: string) => contacts.findIndex((contact) => contact.name === name);
    this.bars = bars
      .filter(({ hooked }) => hooked)
      .map(({ between: [a, b], rateNPerMm, offsetMm }) => ({
        a: index(a),
        b: index(b),
        rate: rateNPerMm,
        offset: offsetMm,
      }));
    this.gradient = new Float64Array(this.size);
    this.hessian = new Float64Array(this.size * this.size);
    this.factor = new Float64Array(this.size * this.size);
    this.step = new Float64Array(this.size);
    this.trial = new Float64Array(this.size);
    this.at = new Float64Array(this.size);
    this.bound = new Int8Array(this.n);
    this.travelResponse = new Float64Array(this.size * this.n);
    this.setMasses(description.masses.map(({ kg }) => kg));
  }

  /** Body basis (1, x, y) per metre at a place in mm, written into `into`. */
  writeBasis(into: Float64Array, start: number, x: number, y: number): void {
    into[start] = 1;
    into[start + 1] = x / METRE;
    if (this.m === 3) into[start + 2] = y / METRE;
  }

  /** Replaces the masses (kg, in the description's order). Changes this solver. */
  setMasses(kg: readonly number[]): void {
    this.load.fill(0);
    this.description.masses.forEach(({ x, y }, k) => {
      const weight = (kg[k] ?? 0) * GRAVITY;
      this.load[0] = (this.load[0] as number) + weight;
      this.load[1] = (this.load[1] as number) + (weight * x) / METRE;
      if (this.m === 3) this.load[2] = (this.load[2] as number) + (weight * y) / METRE;
    });
  }

  /**
   * Friction that holds each contact so many mm of travel deeper than without (its wheel rate times that, N, taken at
   * the frictionless solution). Changes this solver.
   */
  setFriction(mm: readonly number[]): void {
    this.frictionN.fill(0);
    this.solve();
    for (let i = 0; i < this.n; i++) {
      const corner = this.corners[i] as CornerModel;
      corner.evaluate(this.z[i] as number);
      this.frictionN[i] = -corner.rateNPerMm * (mm[i] ?? 0);
    }
  }

  /** Height of the body at a place, mm over the origin, in the solution. */
  bodyHeight(x: number, y: number): number {
    const roll = this.m === 3 ? ((this.q[2] as number) * y) / METRE : 0;
    return (this.q[0] as number) + ((this.q[1] as number) * x) / METRE + roll;
  }

  /** Starts the next solve from nothing instead of the last solution. */
  forget(): void {
    this.warm = false;
  }

  /** Finds the equilibrium, from the last one when there is one. */
  solve(): SolveReport {
    this.start();
    let iterations = 0;
    let residualN = Infinity;
    while (iterations < NEWTON_STEPS) {
      this.differentials(this.at, true);
      this.chooseBounds();
      residualN = this.freeResidual();
      if (residualN < BALANCE_N) break;
      iterations++;
      do {
        if (!this.newtonStep()) return this.finish(iterations, residualN);
      } while (this.holdLeaving());
      if (!this.walk()) break;
    }
    return this.finish(iterations, residualN);
  }

  private start(): void {
    const { at, m } = this;
    if (!this.warm || !at.every(Number.isFinite)) {
      // Wheels a third up their travel, body level and low enough to press every tyre.
      at.fill(0);
      let lowest = Infinity;
      for (let i = 0; i < this.n; i++) {
        at[m + i] = (this.corners[i] as CornerModel).zMax / 3;
        lowest = Math.min(lowest, (this.padMm[i] as number) - (at[m + i] as number));
      }
      at[0] = lowest - 5;
    }
    for (let i = 0; i < this.n; i++) {
      const { zFrom, zTo } = this.corners[i] as CornerModel;
      at[m + i] = Math.min(Math.max(at[m + i] as number, zFrom), zTo);
    }
    this.bound.fill(0);
  }

  /** Gradient of E at a point, and its Hessian when asked. */
  private differentials(at: Float64Array, second: boolean): void {
    const { n, m, size, gradient, hessian, basis } = this;
    for (let a = 0; a < m; a++) gradient[a] = this.load[a] as number;
    if (second) hessian.fill(0);
    for (let i = 0; i < n; i++) {
      const corner = this.corners[i] as CornerModel;
      const zi = at[m + i] as number;
      corner.evaluate(zi);
      let height = zi - corner.droopShiftMm + corner.linkRiseMm;
      for (let a = 0; a < m; a++) height += (basis[i * m + a] as number) * (at[a] as number);
      const squeeze = (this.padMm[i] as number) - height;
      const rate = squeeze > 0 ? (this.tyreRates[i] as number) : 0;
      const lift = (this.unsprungN[i] as number) - rate * squeeze;
      gradient[m + i] = corner.forceN + lift + (this.frictionN[i] as number);
      for (let a = 0; a < m; a++) gradient[a] = (gradient[a] as number) + lift * (basis[i * m + a] as number);
      if (!second) continue;
      hessian[(m + i) * size + m + i] = corner.rateNPerMm + rate;
      for (let a = 0; a < m; a++) {
        const ka = rate * (basis[i * m + a] as number);
        hessian[(m + i) * size + a] = ka;
        for (let b = 0; b <= a; b++)
          hessian[a * size + b] = (hessian[a * size + b] as number) + ka * (basis[i * m + b] as number);
      }
    }
    for (const { a, b, rate, offset } of this.bars) {
      const force = rate * ((at[m + a] as number) - (at[m + b] as number) - offset);
      gradient[m + a] = (gradient[m + a] as number) + force;
      gradient[m + b] = (gradient[m + b] as number) - force;
      if (second) this.addBar(m + a, m + b, rate);
    }
  }

  private addBar(a: number, b: number, rate: number): void {
    const { hessian, size } = this;
    hessian[a * size + a] = (hessian[a * size + a] as number) + rate;
    hessian[b * size + b] = (hessian[b * size + b] as number) + rate;
    const [low, high] = a > b ? [a, b] : [b, a];
    hessian[low * size + high] = (hessian[low * size + high] as number) - rate;
  }

  /** Holds a travel at an end of which the forces press it, and lets go of the others. */
  private chooseBounds(): void {
    const { n, m, at, gradient, bound } = this;
    for (let i = 0; i < n; i++) {
      const slope = gradient[m + i] as number;
      const zi = at[m + i] as number;
      const { zFrom, zTo } = this.corners[i] as CornerModel;
      if (zi <= zFrom && slope > 0) bound[i] = -1;
      else if (zi >= zTo && slope < 0) bound[i] = 1;
      else bound[i] = 0;
    }
  }

  /** The greatest force that is left over anywhere the machine is free to move, N: nothing at rest. */
  freeResidual(): number {
    let worst = 0;
    for (let a = 0; a < this.size; a++) {
      if (a >= this.m && this.bound[a - this.m] !== 0) continue;
      worst = Math.max(worst, Math.abs(this.gradient[a] as number));
    }
    return worst;
  }

  /** Newton's step into `step`, held travels standing still; stiffened until the matrix is positive definite. */
  private newtonStep(): boolean {
    const { m, size, step } = this;
    let stiffer = 0;
    for (let attempt = 0; attempt < 12; attempt++) {
      if (this.factorFree(stiffer)) {
        for (let a = 0; a < size; a++)
          step[a] = a >= m && this.bound[a - m] !== 0 ? 0 : -(this.gradient[a] as number);
        solveInPlace(this.factor, size, size, step);
        return true;
      }
      stiffer = stiffer === 0 ? 0.01 : stiffer * 10;
    }
    return false;
  }

  private factorFree(stiffer: number): boolean {
    const { m, n, size, factor } = this;
    factor.set(this.hessian);
    for (let a = 0; a < size; a++) factor[a * size + a] = (factor[a * size + a] as number) + stiffer;
    for (let i = 0; i < n; i++) {
      if (this.bound[i] === 0) continue;
      const row = (m + i) * size;
      for (let b = 0; b < size; b++) factor[row + b] = 0;
      for (let a = m + i; a < size; a++) factor[a * size + m + i] = 0;
      factor[row + m + i] = 1;
    }
    return factorInPlace(factor, size, size, PIVOT_N_PER_MM);
  }

  /** Holds travels that are at an end and would be taken past it by the step; true when there was one. */
  private holdLeaving(): boolean {
    let held = false;
    for (let i = 0; i < this.n; i++) {
      if (this.bound[i] !== 0) continue;
      const zi = this.at[this.m + i] as number;
      const d = this.step[this.m + i] as number;
      const { zFrom, zTo } = this.corners[i] as CornerModel;
      if (zi <= zFrom && d < 0) this.bound[i] = -1;
      else if (zi >= zTo && d > 0) this.bound[i] = 1;
      else continue;
      held = true;
    }
    return held;
  }

  /** Goes along `step` to the first end of travel at most, and not past where E begins to rise again. */
  private walk(): boolean {
    const { n, m, size, at, step, trial } = this;
    let reach = 1;
    for (let i = 0; i < n; i++) {
      const d = step[m + i] as number;
      if (d === 0) continue;
      const zi = at[m + i] as number;
      const { zFrom, zTo } = this.corners[i] as CornerModel;
      const end = d < 0 ? zFrom : zTo;
      reach = Math.min(reach, (end - zi) / d);
    }
    reach = Math.max(reach, 0);
    const before = this.slopeAlong();
    if (!(before < 0)) return false;
    let low = 0;
    let high = reach;
    let share = reach;
    let lowSlope = before;
    for (let k = 0; k < 40; k++) {
      for (let a = 0; a < size; a++) trial[a] = (at[a] as number) + share * (step[a] as number);
      this.differentials(trial, false);
      const slope = this.slopeAlong();
      if (slope <= -0.4 * before && (share === reach || Math.abs(slope) <= -0.4 * before)) break;
      if (slope > 0) {
        high = share;
        const guess = low + ((high - low) * lowSlope) / (lowSlope - slope);
        share = Math.min(Math.max(guess, low + 0.05 * (high - low)), high - 0.05 * (high - low));
      } else {
        low = share;
        lowSlope = slope;
        share = (low + high) / 2;
      }
    }
    at.set(trial);
    // Rounding must not leave a travel a hair inside the end it went to.
    for (let i = 0; i < n; i++) {
      const { zFrom, zTo } = this.corners[i] as CornerModel;
      const zi = at[m + i] as number;
      if (zi < zFrom + 1e-12) at[m + i] = zFrom;
      else if (zi > zTo - 1e-12) at[m + i] = zTo;
    }
    return true;
  }

  /** Slope of E along `step` at the point whose gradient was last worked out. */
  private slopeAlong(): number {
    let slope = 0;
    for (let a = 0; a < this.size; a++) slope += (this.gradient[a] as number) * (this.step[a] as number);
    return slope;
  }

  /** Factors the Hessian at the solution and fills `travelResponse`. False where the equilibrium is not firm. */
  differentiate(): boolean {
    this.differentials(this.at, true);
    this.chooseBounds();
    if (!this.factorFree(0)) return false;
    const { n, m, size, step, travelResponse } = this;
    for (let i = 0; i < n; i++) {
      step.fill(0);
      if (this.bound[i] === 0) step[m + i] = 1;
      solveInPlace(this.factor, size, size, step);
      for (let a = 0; a < size; a++) travelResponse[a * n + i] = this.isHeld(a) ? 0 : (step[a] as number);
    }
    return true;
  }

  /** Whether a freedom is a travel at its end. */
  private isHeld(a: number): boolean {
    return a >= this.m && this.bound[a - this.m] !== 0;
  }

  /** Turns a change of E's gradient [body, travels] into the change of [q, z], in place; after `differentiate`. */
  respond(gradientChange: Float64Array): void {
    for (let a = 0; a < this.size; a++)
      gradientChange[a] = this.isHeld(a) ? 0 : -(gradientChange[a] as number);
    solveInPlace(this.factor, this.size, this.size, gradientChange);
  }

  /** Whether a contact's travel is at full droop (-1), at metal or solid springs (1), or between (0). */
  endOf(i: number): -1 | 0 | 1 {
    return this.bound[i] as -1 | 0 | 1;
  }

  /** N by which a contact is pressed against the end of its travel (positive at full droop, negative at metal); else 0. */
  pressN(i: number): number {
    return this.bound[i] === 0 ? 0 : (this.gradient[this.m + i] as number);
  }

  private finish(iterations: number, residualN: number): SolveReport {
    const { n, m, at } = this;
    for (let a = 0; a < m; a++) this.q[a] = at[a] as number;
    for (let i = 0; i < n; i++) {
      this.z[i] = at[m + i] as number;
      const { droopShiftMm, linkRiseMm } = this.corners[i] as CornerModel;
      let height = (at[m + i] as number) - droopShiftMm + linkRiseMm;
      for (let a = 0; a < m; a++) height += (this.basis[i * m + a] as number) * (at[a] as number);
      this.pads[i] = (this.tyreRates[i] as number) * Math.max((this.padMm[i] as number) - height, 0);
    }
    this.warm = true;
    return { converged: residualN < BALANCE_N, iterations, residualN };
  }
}

/** Whether all contacts lie on one line along the machine, so that roll cannot be told. */
function inLine(contacts: MachineDescription['contacts']): boolean {
  return contacts.every(({ y }) => Math.abs(y - (contacts[0]?.y ?? 0)) < 1e-6);
}
