import { rayAt, upOf, uprightOf, type Camera, type Level } from './camera.ts';
import { dot3, plus3, type Vector3 } from './vector.ts';

/** What is known before the picture is looked at, each with how far it may be out (one standard deviation). */
export interface Known {
  camera: Camera;
  /** As a share of the focal length. */
  focalSdShare: number;
  bendSd: number;
  level: Level;
  levelSdDeg: number;
  rimDiameterMm: number;
  rimDiameterSdMm: number;
  /** How far the point on the body stands out of the plane of the rim's lip, towards the camera. */
  lipOutMm: number;
  lipOutSdMm: number;
}

/** Places on the rim's lip in the picture. */
export interface RimEdge {
  xs: Float64Array;
  ys: Float64Array;
  /** How far each may be out, pixels. */
  sdPx: number;
}

/**
 * What is fitted: where the hub is seen (two), its distance in rim radii as a logarithm, turn and lean of the wheel; then
 * what is known beforehand and may be out: pitch, roll, focal length, bend, the lens's axis (two), rim radius, lip, and the
 * places pointed at.
 */
export const SIZE = 16;
export const YAW = 3;
export const LEAN = 4;
export const PITCH = 5;
export const ROLL = 6;
export const FOCAL = 7;
export const BEND = 8;
export const AXIS_ACROSS = 9;
export const AXIS_DOWN = 10;
export const RADIUS = 11;
export const LIP = 12;
export const POINT = 13;
export const OTHER = 14;
export const OTHER_OUT = 15;
/** Of these the rim's edge tells. */
export const SEEN = 11;
/** How far a lens's axis may be off the middle of the picture, as a share of the focal length. */
const AXIS_SD = 0.003;

/** A wheel stands upright within this, one standard deviation: camber, and a floor that is not level. */
const LEAN_SD_DEG = 2.5;
const RADIANS = Math.PI / 180;

/** What a fit says of where things are, in the camera's frame and in mm. */
export interface Scene {
  hub: Vector3;
  up: Vector3;
  /** Level, out of the wheel towards the camera. */
  out: Vector3;
  /** Level, along the machine, to the right in the picture. */
  along: Vector3;
  /** The wheel's own normal. */
  normal: Vector3;
  radiusMm: number;
  lipOutMm: number;
  camera: Camera;
}

/** How far each thing that is known beforehand may be out. */
export function priors(known: Known, edgeSdMm: number): [number, number][] {
  return [
    [LEAN, LEAN_SD_DEG * RADIANS],
    [PITCH, known.levelSdDeg * RADIANS],
    [ROLL, known.levelSdDeg * RADIANS],
    [FOCAL, known.focalSdShare],
    [BEND, known.bendSd],
    [AXIS_ACROSS, AXIS_SD],
    [AXIS_DOWN, AXIS_SD],
    [RADIUS, Math.hypot(known.rimDiameterSdMm, 2 * edgeSdMm) / known.rimDiameterMm],
    [LIP, known.lipOutSdMm],
    [POINT, 1],
    [OTHER, 1],
    [OTHER_OUT, 1],
  ];
}

export const value = (values: Float64Array, k: number): number => values[k] as number;

/** Places and directions by what is fitted. */
export function sceneOf(known: Known, values: Float64Array): Scene {
  const camera = {
    ...known.camera,
    focalPx: known.camera.focalPx * Math.exp(value(values, FOCAL)),
    bend: known.camera.bend + value(values, BEND),
    axis: [value(values, AXIS_ACROSS), value(values, AXIS_DOWN)] as const,
  };
  const up = upOf({
    pitchDeg: known.level.pitchDeg + value(values, PITCH) / RADIANS,
    rollDeg: known.level.rollDeg + value(values, ROLL) / RADIANS,
  });
  const { right, back } = uprightOf(up);
  const yaw = value(values, YAW);
  const lean = value(values, LEAN);
  const mix = (a: Vector3, ka: number, b: Vector3, kb: number): Vector3 =>
    plus3([ka * a[0], ka * a[1], ka * a[2]], b, kb);
  const out = mix(back, Math.cos(yaw), right, Math.sin(yaw));
  const along = mix(right, Math.cos(yaw), back, -Math.sin(yaw));
  const radiusMm = 0.5 * known.rimDiameterMm * Math.exp(value(values, RADIUS));
  const away = radiusMm * Math.exp(value(values, 2));
  return {
    hub: [value(values, 0) * away, value(values, 1) * away, away],
    up,
    out,
    along,
    normal: mix(out, Math.cos(lean), up, Math.sin(lean)),
    radiusMm,
    lipOutMm: known.lipOutMm + value(values, LIP),
    camera,
  };
}

/** How far outside the rim's circle each place is seen, pixels. */
export function apartPx(known: Known, values: Float64Array, { xs, ys }: RimEdge, into: Float64Array): void {
  const { hub, normal, radiusMm, camera } = sceneOf(known, values);
  const ahead = dot3(hub, normal);
  const pxPerMm = camera.focalPx / hub[2];
  for (let i = 0; i < xs.length; i++) {
    const ray = rayAt(camera, xs[i] as number, ys[i] as number);
    const to = ahead / dot3(ray, normal);
    into[i] =
      (Math.hypot(ray[0] * to - hub[0], ray[1] * to - hub[1], ray[2] * to - hub[2]) - radiusMm) * pxPerMm;
  }
}

/** Steps by which each is moved to see what hangs on it. */
export const STEPS = [
  1e-5, 1e-5, 1e-5, 1e-4, 1e-4, 1e-4, 1e-4, 1e-5, 1e-4, 1e-5, 1e-5, 1e-5, 1e-2, 1e-2, 1e-2, 1e-2,
];
