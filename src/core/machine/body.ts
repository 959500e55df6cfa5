import {
  apply,
  identity,
  invertSpd,
  multiply,
  transpose,
  type Matrix,
  type Vector,
} from '../numerics/matrix.ts';
import { classDefaults, cornersOf, type MachineClass } from '../kinds/classes/index.ts';
import { alongOf, axleOf, sideOf, type CornerId } from '../kinds/corners.ts';

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
  const [axle, along, side] = [axleOf(corner), alongOf(corner), sideOf(corner)];
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
