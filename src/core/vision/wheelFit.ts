import { solveSpd } from '../numerics/matrix.ts';
import { rayAt, upOf, uprightOf, type Camera, type Level } from './camera.ts';
import { circlePoses, type CirclePose } from './circlePose.ts';
import type { Ellipse } from './ellipse.ts';
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

/** Causes that a height is not known better, and the share of each in its variance. */
export type Cause = 'rim' | 'point' | 'diameter' | 'lipOut' | 'level' | 'lens';

/**
 * What is fitted: where the hub is seen (two), its distance in rim radii as a logarithm, turn and lean of the wheel; then
 * what is known beforehand and may be out: pitch, roll, focal length, bend, the lens's axis (two), rim radius, lip, and the
 * places pointed at.
 */
const SIZE = 16;
const YAW = 3;
const LEAN = 4;
const PITCH = 5;
const ROLL = 6;
const FOCAL = 7;
const BEND = 8;
const AXIS_ACROSS = 9;
const AXIS_DOWN = 10;
const RADIUS = 11;
const LIP = 12;
const POINT = 13;
const OTHER = 14;
const OTHER_OUT = 15;
/** Of these the rim's edge tells. */
const SEEN = 11;
/** How far a lens's axis may be off the middle of the picture, as a share of the focal length. */
const AXIS_SD = 0.003;

/** A wheel stands upright within this, one standard deviation: camber, and a floor that is not level. */
const LEAN_SD_DEG = 2.5;
const RADIANS = Math.PI / 180;

export interface WheelFit {
  known: Known;
  values: Float64Array;
  /** Inverse covariance of all that is fitted. */
  information: number[][];
  /** The rim's own part of it. */
  fromRim: number[][];
  /** Root mean square of what is left at the edge, pixels. */
  leftPx: number;
  /** Share of the edge that lies on the circle. */
  onCircleShare: number;
}

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
function priors(known: Known): [number, number][] {
  return [
    [LEAN, LEAN_SD_DEG * RADIANS],
    [PITCH, known.levelSdDeg * RADIANS],
    [ROLL, known.levelSdDeg * RADIANS],
    [FOCAL, known.focalSdShare],
    [BEND, known.bendSd],
    [AXIS_ACROSS, AXIS_SD],
    [AXIS_DOWN, AXIS_SD],
    [RADIUS, known.rimDiameterSdMm / known.rimDiameterMm],
    [LIP, known.lipOutSdMm],
    [POINT, 1],
    [OTHER, 1],
    [OTHER_OUT, 1],
  ];
}

const value = (values: Float64Array, k: number): number => values[k] as number;

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
function apartPx(known: Known, values: Float64Array, { xs, ys }: RimEdge, into: Float64Array): void {
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

/** Places along an edge go wrong together: dirt, a worn lip. So many of them count as one. */
const TOGETHER = 5;

/**
 * The wheel that its rim's edge shows best, with what is known beforehand weighed in: the most probable one (Gauss and
 * Newton, Tukey's weights), from both poses that its outline leaves open. The level and that wheels stand upright choose
 * between them. Null where the outline is no wheel.
 */
export function fitWheel(known: Known, outline: Ellipse, edge: RimEdge): WheelFit | null {
  const poses = circlePoses(known.camera, outline);
  if (!poses) return null;
  const fits = poses.flatMap((pose) => {
    const start = startOf(known, pose);
    const fit = start && improve(known, start, edge);
    return fit ? [fit] : [];
  });
  fits.sort((a, b) => a.cost - b.cost);
  return fits[0]?.fit ?? null;
}

function startOf(known: Known, { middle, normal }: CirclePose): Float64Array | null {
  const values = new Float64Array(SIZE);
  const { right, up, back } = uprightOf(upOf(known.level));
  values[0] = middle[0] / middle[2];
  values[1] = middle[1] / middle[2];
  values[2] = Math.log(middle[2]);
  values[YAW] = Math.atan2(dot3(normal, right), dot3(normal, back));
  values[LEAN] = 0.5 * Math.asin(Math.max(-1, Math.min(1, dot3(normal, up))));
  return values.every(Number.isFinite) ? values : null;
}

const STEPS = [
  1e-5, 1e-5, 1e-5, 1e-4, 1e-4, 1e-4, 1e-4, 1e-5, 1e-4, 1e-5, 1e-5, 1e-5, 1e-2, 1e-2, 1e-2, 1e-2,
];

function improve(known: Known, start: Float64Array, edge: RimEdge): { fit: WheelFit; cost: number } | null {
  const n = edge.xs.length;
  const values = Float64Array.from(start);
  const apart = new Float64Array(n);
  const sides = [new Float64Array(n), new Float64Array(n)] as const;
  const slopes = Array.from({ length: SEEN }, () => new Float64Array(n));
  const known0 = priors(known);
  let fromRim: number[][] = [];
  let information: number[][] = [];
  let spread = 4;
  for (let turn = 0; turn < 9; turn++) {
    apartPx(known, values, edge, apart);
    const sizes = Float64Array.from(apart, Math.abs).sort();
    spread = Math.max(1.4826 * (sizes[n >> 1] as number), edge.sdPx);
    for (let k = 0; k < SEEN; k++) {
      const step = STEPS[k] as number;
      for (const [side, into] of sides.entries()) {
        const moved = Float64Array.from(values);
        moved[k] = value(moved, k) + (side === 0 ? -step : step);
        apartPx(known, moved, edge, into);
      }
      const slope = slopes[k] as Float64Array;
      for (let i = 0; i < n; i++) slope[i] = ((sides[1][i] as number) - (sides[0][i] as number)) / (2 * step);
    }
    const pull = new Array<number>(SIZE).fill(0);
    fromRim = Array.from({ length: SIZE }, () => new Array<number>(SIZE).fill(0));
    const unit = 1 / (spread * spread * TOGETHER);
    for (let i = 0; i < n; i++) {
      const weight = unit * tukey((apart[i] as number) / spread);
      if (weight === 0) continue;
      for (let a = 0; a < SEEN; a++) {
        const at = (slopes[a] as Float64Array)[i] as number;
        pull[a] = (pull[a] as number) - weight * at * (apart[i] as number);
        const row = fromRim[a] as number[];
        for (let b = 0; b <= a; b++)
          row[b] = (row[b] as number) + weight * at * ((slopes[b] as Float64Array)[i] as number);
      }
    }
    for (let a = 0; a < SEEN; a++)
      for (let b = a + 1; b < SEEN; b++) (fromRim[a] as number[])[b] = fromRim[b]?.[a] as number;
    information = fromRim.map((row) => [...row]);
    for (const [k, sd] of known0) {
      (information[k] as number[])[k] = (information[k]?.[k] as number) + 1 / (sd * sd);
      pull[k] = (pull[k] as number) - value(values, k) / (sd * sd);
    }
    // Where the rim shows nothing of a turn, it is left where it is.
    (information[YAW] as number[])[YAW] = (information[YAW]?.[YAW] as number) + 1e-6;
    let move: number[];
    try {
      move = solveSpd(information, pull);
    } catch {
      return null;
    }
    let most = 0;
    for (let k = 0; k < SIZE; k++) {
      const limit = k === YAW || k === LEAN ? 0.15 : Infinity;
      const by = Math.max(-limit, Math.min(limit, move[k] as number));
      values[k] = value(values, k) + by;
      most = Math.max(most, Math.abs(by) / (STEPS[k] as number));
    }
    if (most < 0.1 && turn > 2) break;
  }
  apartPx(known, values, edge, apart);
  let on = 0;
  let squares = 0;
  let cost = 0;
  for (let i = 0; i < n; i++) {
    const size = Math.abs(apart[i] as number) / spread;
    cost += Math.min(size * size, 16) / TOGETHER;
    if (size > 3) continue;
    on++;
    squares += (apart[i] as number) ** 2;
  }
  for (const [k, sd] of known0) cost += (value(values, k) / sd) ** 2;
  // Both poses are judged by the same scatter: the tighter of two would win by being worse elsewhere.
  cost += (2 * n * Math.log(spread)) / TOGETHER;
  const fit = {
    known,
    values,
    information,
    fromRim,
    leftPx: Math.sqrt(squares / Math.max(on, 1)),
    onCircleShare: on / n,
  };
  return values.every(Number.isFinite) ? { fit, cost } : null;
}

const tukey = (size: number): number => {
  const share = size / 4.7;
  return Math.abs(share) >= 1 ? 0 : (1 - share * share) ** 2;
};

/** A length on the body by the picture, with the causes of its uncertainty. */
export interface Reading {
  mm: number;
  sdMm: number;
  /** Variances by cause, mm²; they add up to that of the reading. */
  causes: Record<Cause, number>;
}

const causeOf: Record<Cause, readonly number[]> = {
  rim: [],
  point: [POINT, OTHER, OTHER_OUT],
  diameter: [RADIUS],
  lipOut: [LIP],
  level: [PITCH, ROLL, LEAN],
  lens: [FOCAL, BEND, AXIS_ACROSS, AXIS_DOWN],
};

/** By how many standard deviations each place is moved that was pointed at or found: the point on the body, the other end, and how far that stands out. */
export interface Moved {
  point: number;
  other: number;
  otherOut: number;
}

/**
 * A length that follows from the scene and from places in the picture that were found with an error, with how far it may be
 * out. `lengthOf` gets the scene and by how many standard deviations the places are moved.
 */
export function lengthIn(fit: WheelFit, lengthOf: (scene: Scene, moved: Moved) => number): Reading {
  const { known, values, information, fromRim } = fit;
  const of = (all: Float64Array): number =>
    lengthOf(sceneOf(known, all), {
      point: value(all, POINT),
      other: value(all, OTHER),
      otherOut: value(all, OTHER_OUT),
    });
  const slope = Array.from(values, (_, k) => {
    const step = STEPS[k] as number;
    const [less, more] = [Float64Array.from(values), Float64Array.from(values)];
    less[k] = value(less, k) - step;
    more[k] = value(more, k) + step;
    return (of(more) - of(less)) / (2 * step);
  });
  const moved = solveSpd(information, slope);
  const causes = Object.fromEntries(Object.keys(causeOf).map((cause) => [cause, 0])) as Record<Cause, number>;
  for (let a = 0; a < SIZE; a++)
    for (let b = 0; b < SIZE; b++)
      causes.rim += (moved[a] as number) * (fromRim[a]?.[b] as number) * (moved[b] as number);
  const sds = new Map(priors(known));
  for (const [cause, all] of Object.entries(causeOf))
    for (const k of all) causes[cause as Cause] += ((moved[k] as number) / (sds.get(k) as number)) ** 2;
  return {
    mm: of(values),
    sdMm: Math.sqrt(Object.values(causes).reduce((sum, one) => sum + one, 0)),
    causes,
  };
}
