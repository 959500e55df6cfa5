import type { CornerModel, CornerSetting } from './corner.ts';
import type { MachineDescription } from './description.ts';
import { MachineSolver, type SolveReport } from './solver.ts';

/** How a contact stands. */
type ContactState =
  /** Between its stops, on its springs. */
  | 'free'
  /** Fully extended: the springs push at least as hard as the load. */
  | 'topped-out'
  /** Fully extended with loose springs. */
  | 'slack'
  /** Squeezing its bump stop. */
  | 'on-stop'
  /** Springs solid before the travel ends. */
  | 'solid'
  /** Metal on metal at the end of travel. */
  | 'bottomed';

export interface ContactEquilibrium {
  name: string;
  state: ContactState;
  /** Whether nothing is under the wheel, whatever the suspension does. */
  inAir: boolean;
  /** Travel used from full droop, mm. */
  travelMm: number;
  /** Wheel travel left to metal or solid springs, mm. */
  bumpLeftMm: number;
  damperMm: number;
  /** Damper per wheel here, and spring per wheel: another where the spring sits apart. */
  ratio: number;
  springRatio: number;
  /** N of springs, gas and stop, at the wheel. */
  wheelForceN: number;
  wheelRateNPerMm: number;
  /** N of the springs alone, along the spring; and how far the stack is compressed, mm. */
  springForceN: number;
  stackMm: number;
  preloadMm: number;
  /** N along the spring at full droop. */
  preloadN: number;
  /** Each spring's compression, mm, from the seat outwards. */
  springsMm: number[];
  padLoadN: number;
}

export interface Equilibrium {
  contacts: ContactEquilibrium[];
  /** Body's height (mm over the origin) and rise per metre forward and to the left. */
  body: { heaveMm: number; pitchMmPerM: number; rollMmPerM: number };
  report: SolveReport;
}

/** Solves a checked machine with its corners set so; the pure face of `MachineSolver`. */
export function equilibrium(
  machine: MachineDescription,
  settings: readonly CornerSetting[] = [],
): Equilibrium {
  const solver = new MachineSolver(machine, settings);
  const report = solver.solve();
  return readSolver(solver, report);
}

/** The state a solver has come to, as plain data. */
export function readSolver(solver: MachineSolver, report: SolveReport): Equilibrium {
  return {
    contacts: solver.corners.map((corner, i) => readContact(solver, corner, i)),
    body: {
      heaveMm: solver.q[0] as number,
      pitchMmPerM: solver.q[1] as number,
      rollMmPerM: solver.m === 3 ? (solver.q[2] as number) : 0,
    },
    report,
  };
}

/** How one contact stands in the state a solver has come to. */
export function contactOf(solver: MachineSolver, i: number): ContactEquilibrium {
  return readContact(solver, solver.corners[i] as CornerModel, i);
}

function readContact(solver: MachineSolver, corner: CornerModel, i: number): ContactEquilibrium {
  const travelMm = solver.z[i] as number;
  const ratio = corner.ratioAt(travelMm);
  corner.evaluate(travelMm);
  const stackMm = corner.springAt(travelMm) + corner.preloadMm;
  const padLoadN = solver.pads[i] as number;
  const springForceN = corner.elastic.forceN;
  const wheel = { wheelForceN: corner.forceN, wheelRateNPerMm: corner.rateNPerMm, damperMm: corner.damperMm };
  corner.elastic.evaluate(corner.preloadMm);
  return {
    name: corner.description.name,
    state: stateOf(solver, corner, i),
    inAir: padLoadN === 0,
    travelMm,
    bumpLeftMm: corner.zMax - travelMm,
    ratio,
    springRatio: corner.springRatioAt(travelMm),
    ...wheel,
    springForceN,
    preloadN: corner.elastic.forceN,
    stackMm,
    preloadMm: corner.preloadMm,
    springsMm: corner.stack
      ? Array.from({ length: corner.stack.size }, (_, k) => corner.stack?.springCompression(k, stackMm) ?? 0)
      : [],
    padLoadN,
  };
}

function stateOf(solver: MachineSolver, corner: CornerModel, i: number): ContactState {
  const end = solver.endOf(i);
  const { travelMm, stop } = corner.description;
  if (end < 0) return corner.preloadMm < 0 ? 'slack' : 'topped-out';
  if (end > 0) return corner.zMax < travelMm + corner.droopShiftMm - 1e-9 ? 'solid' : 'bottomed';
  const onStop = stop !== null && corner.damperAt(solver.z[i] as number) > stop.contactMm;
  return onStop ? 'on-stop' : 'free';
}

/** What one mm at each seat does. Rows by contact, columns by seat. */
export interface Influence {
  /** mm of travel used per mm of seat. */
  travel: number[][];
  /** Change of [heave mm, pitch, roll mm per m] per mm of seat: rows by freedom. */
  body: number[][];
  /** N on the pads per mm of seat. */
  padsN: number[][];
}

const SEAT_STEP_MM = 1e-3;

/**
 * Derivatives of travels, body and pad loads by seat position at the solution, by the implicit function theorem:
 * d[q, z]/dc_j = -H^-1 dg/dc_j, where only the corner's own wheel force sees its seat (central difference, which also
 * sees a body ring's limit move).
 */
export function influence(solver: MachineSolver): Influence | null {
  if (!solver.differentiate()) return null;
  const { n, m } = solver;
  const push = solver.corners.map((corner, j) => seatForce(corner, solver.z[j] as number));
  const response = (a: number, j: number) =>
    -(solver.travelResponse[a * n + j] as number) * (push[j] as number);
  const rows = (count: number, from: number) =>
    Array.from({ length: count }, (_, a) => Array.from({ length: n }, (__, j) => response(from + a, j)));
  const [body, travel] = [rows(m, 0), rows(n, m)];
  const padsN = travel.map((row, i) =>
    row.map((dz, j) => {
      const onGround = (solver.pads[i] as number) > 0 ? (solver.tyreRates[i] as number) : 0;
      return -onGround * (dz + bodyRise(solver, body, i, j));
    }),
  );
  return { travel, body, padsN };
}

function bodyRise(solver: MachineSolver, body: readonly number[][], i: number, j: number): number {
  const { x, y } = (solver.corners[i] as CornerModel).description;
  const basis = new Float64Array(solver.m);
  solver.writeBasis(basis, 0, x, y);
  return basis.reduce((sum, value, a) => sum + value * (body[a]?.[j] as number), 0);
}

/** N of wheel force per mm of seat, at a travel. */
export function seatForce(corner: CornerModel, travelMm: number): number {
  const seat = corner.seatBy;
  const mount = corner.mountMm;
  corner.set(seat + SEAT_STEP_MM, mount);
  corner.evaluate(travelMm);
  const above = corner.forceN;
  corner.set(seat - SEAT_STEP_MM, mount);
  corner.evaluate(travelMm);
  const below = corner.forceN;
  corner.set(seat, mount);
  return (above - below) / (2 * SEAT_STEP_MM);
}
