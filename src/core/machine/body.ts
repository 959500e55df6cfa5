import {
  apply,
  identity,
  invertSpd,
  multiply,
  transpose,
  type Matrix,
  type Vector,
} from '../numerics/matrix.ts';
import type { Fault } from '../faults.ts';
import type { Footing } from '../geometry/reference.ts';
import { classDefaults, type Axle, type MachineClass } from './classes.ts';

/** Where a machine stands on its springs: a wheel, a ski, or one arm of a skid. */
export type CornerId = 'LF' | 'RF' | 'LR' | 'RR' | 'LS' | 'RS' | 'FA' | 'RA' | 'FW' | 'RW';

interface Place {
  name: string;
  axle: Axle;
  /** +1 left, -1 right, 0 on the middle line. */
  side: 1 | 0 | -1;
  /** Place between the axles: +1/2 at the front one, -1/2 at the rear one. */
  along: number;
  twin: CornerId | null;
}

const places: Record<CornerId, Place> = {
  LF: { name: 'front left', axle: 'front', side: 1, along: 0.5, twin: 'RF' },
  RF: { name: 'front right', axle: 'front', side: -1, along: 0.5, twin: 'LF' },
  LR: { name: 'rear left', axle: 'rear', side: 1, along: -0.5, twin: 'RR' },
  RR: { name: 'rear right', axle: 'rear', side: -1, along: -0.5, twin: 'LR' },
  LS: { name: 'left ski', axle: 'front', side: 1, along: 0.5, twin: 'RS' },
  RS: { name: 'right ski', axle: 'front', side: -1, along: 0.5, twin: 'LS' },
  FA: { name: 'skid front arm', axle: 'rear', side: 0, along: -0.1, twin: null },
  RA: { name: 'skid rear arm', axle: 'rear', side: 0, along: -0.5, twin: null },
  FW: { name: 'front wheel', axle: 'front', side: 0, along: 0.5, twin: null },
  RW: { name: 'rear wheel', axle: 'rear', side: 0, along: -0.5, twin: null },
};

const fourWheels: readonly CornerId[] = ['LF', 'RF', 'LR', 'RR'];
const sled: readonly CornerId[] = ['LS', 'RS', 'FA', 'RA'];
const twoWheels: readonly CornerId[] = ['FW', 'RW'];

const cornersByClass: Record<MachineClass, readonly CornerId[]> = {
  car: fourWheels,
  truck: fourWheels,
  'side-by-side': fourWheels,
  snowmobile: sled,
  motorcycle: twoWheels,
  'dual-purpose': twoWheels,
  scooter: twoWheels,
};

/** The corners of a class in measuring order. */
export function cornersOf(machineClass: MachineClass): readonly CornerId[] {
  return cornersByClass[machineClass];
}

/** Four wheels, two skis and a skid, or two wheels. */
export function footingOf(machineClass: MachineClass): Footing {
  const corners = cornersByClass[machineClass];
  return corners === sled ? 'sleds' : corners === twoWheels ? 'bikes' : 'wheels';
}

/** What contradicts the class among the corners that a description names: one missing, or one that it cannot have. */
export function cornerFault(machineClass: MachineClass, named: readonly string[]): Fault | null {
  const corners: readonly string[] = cornersOf(machineClass);
  const missing = corners.find((id) => !named.includes(id));
  const want = `a ${classDefaults[machineClass].title} to have the corners ${corners.join(', ')}`;
  if (missing) return { path: `corners.${missing}`, got: 'nothing', want };
  const strange = named.find((id) => !corners.includes(id));
  return strange === undefined ? null : { path: `corners.${strange}`, got: 'a corner', want };
}

/** The corners of a job's machine in measuring order. */
export function cornersIn({ machine }: { machine: Footprint }): readonly CornerId[] {
  return cornersOf(machine.class);
}

/** Every corner that any class has. */
export const allCorners = Object.keys(places) as CornerId[];

export const cornerNames = Object.fromEntries(allCorners.map((id) => [id, places[id].name])) as Record<
  CornerId,
  string
>;

/** Front or rear axle of a corner; a skid's arms count as the rear one. */
export function axleOf(corner: CornerId): Axle {
  return places[corner].axle;
}

/** +1 for the left side, -1 for the right, 0 on the middle line. */
export function sideOf(corner: CornerId): 1 | 0 | -1 {
  return places[corner].side;
}

/** The corner across the axle; null on the middle line. */
export function twinOf(corner: CornerId): CornerId | null {
  return places[corner].twin;
}

export interface Footprint {
  class: MachineClass;
  /** Null where not given: the value of the class is assumed. */
  wheelbaseMm: number | null;
  trackFrontMm: number | null;
  trackRearMm: number | null;
  /** How far a skid's front arm stands ahead of its rear arm. */
  armAheadMm?: number | null | undefined;
}

/** Contact point of a corner in mm: x forward from the middle of the wheelbase, y to the left. */
export function contactPoint(footprint: Footprint, corner: CornerId): { x: number; y: number } {
  const assumed = classDefaults[footprint.class];
  const { axle, along, side } = places[corner];
  const track = (axle === 'front' ? footprint.trackFrontMm : footprint.trackRearMm) ?? assumed.trackMm[axle];
  const wheelbase = footprint.wheelbaseMm ?? assumed.wheelbaseMm;
  const fromRear = corner === 'FA' ? (footprint.armAheadMm ?? 0.4 * wheelbase) : null;
  return { x: fromRear === null ? along * wheelbase : fromRear - wheelbase / 2, y: (side / 2) * track };
}

/**
 * What a rigid body on equal wheel rates makes of seat moves: heights = P * (moves at the wheels), n x n.
 *
 * Energy sum k (z_i - d_i)^2 / 2 with z in the plane z = a + b x + c y is least at the orthogonal projection of d
 * on the planes, P = X (X'X)^-1 X' with rows X_i = (1, x_i, y_i). On equal tracks one seat gives
 * +3/4, +1/4, +1/4, -1/4. With fewer than four corners no plane can be told, and each corner is taken to
 * answer for itself (exact when an axle is moved by equal amounts).
 */
export function bodyProjection(footprint: Footprint, corners: readonly CornerId[]): Matrix {
  if (corners.length < 4) return identity(corners.length);
  const planes = corners.map((corner) => {
    const { x, y } = contactPoint(footprint, corner);
    // In metres, so that the normal matrix is well scaled.
    return [1, x / 1000, y / 1000];
  });
  const normal = multiply(transpose(planes), planes);
  return multiply(multiply(planes, invertSpd(normal)), transpose(planes));
}

/** The part of four heights that no plane can follow, in mm per corner: (+w, -w, -w, +w) on equal tracks. */
export function warp(footprint: Footprint, heights: Vector): number[] {
  const followed = apply(bodyProjection(footprint, cornersOf(footprint.class)), heights);
  return heights.map((height, i) => height - (followed[i] ?? 0));
}
