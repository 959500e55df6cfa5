import { uprightOf, upOf, type Camera, type Level } from './camera.ts';
import { fitEllipse, type Ellipse } from './ellipse.ts';
import { plus3, type Vector3 } from './vector.ts';

/** A camera and how it was held, for looking at a picture that was shrunk: pixels are the shrunk one's. */
export interface Looker {
  focalPx: number;
  /** Where its axis goes through the picture. */
  axis: readonly [number, number];
  /** Level to the right, up, and level towards the camera. */
  right: Vector3;
  up: Vector3;
  back: Vector3;
}

/** Of a picture that was shrunk `by` so much. Its bend is left out: it moves a rim by less than a point of what is looked at. */
export function lookerOf({ widthPx, heightPx, focalPx, axis }: Camera, level: Level, by: number): Looker {
  const middle = (px: number, off: number): number => (px / 2 + focalPx * off + 0.5) / by - 0.5;
  return {
    ...uprightOf(upOf(level)),
    focalPx: focalPx / by,
    axis: [middle(widthPx, axis?.[0] ?? 0), middle(heightPx, axis?.[1] ?? 0)],
  };
}

/** An upright plane about a place in the picture: a point so many pixels from it, seen straight on, in a direction of the plane. */
export interface UprightPlane {
  focalPx: number;
  axis: readonly [number, number];
  middle: readonly [number, number];
  /** Its level direction, and up. */
  along: Vector3;
  up: Vector3;
}

/** The upright plane about a place that faces the camera but for a turn about the vertical. */
export function planeAbout(
  { focalPx, axis, right, up, back }: Looker,
  [x, y]: readonly [number, number],
  yawDeg: number,
): UprightPlane {
  const yaw = (yawDeg * Math.PI) / 180;
  const along = plus3(plus3([0, 0, 0], right, Math.cos(yaw)), back, -Math.sin(yaw));
  return { focalPx, axis, middle: [x - axis[0], y - axis[1]], along, up };
}

/** Where a circle of the plane is seen; null where it is seen as no ellipse. */
export function circleIn(plane: UprightPlane, radiusPx: number): Ellipse | null {
  const n = 32;
  const xs = new Float64Array(n);
  const ys = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    const turn = (2 * Math.PI * k) / n;
    const way = plus3(plus3([0, 0, 0], plane.along, Math.cos(turn)), plane.up, Math.sin(turn));
    const away = 1 + (radiusPx * way[2]) / plane.focalPx;
    xs[k] = plane.axis[0] + (plane.middle[0] + radiusPx * way[0]) / away;
    ys[k] = plane.axis[1] + (plane.middle[1] + radiusPx * way[1]) / away;
  }
  return fitEllipse(xs, ys);
}
