import { cross3, dot3, plus3, unit3, type Vector3 } from './vector.ts';

/**
 * A camera. Its axis goes through the middle of the picture, or so far off it as `axis` says, in focal lengths. Its frame is right, down, away from the lens. `bend` is the radial
 * distortion: what is seen at r from the axis, in units of the focal length, came from r (1 + bend r²).
 */
export interface Camera {
  widthPx: number;
  heightPx: number;
  focalPx: number;
  bend: number;
  axis?: readonly [number, number] | undefined;
}

/** How the camera was held: pitch is positive with the lens looking up, roll with its right side low. */
export interface Level {
  pitchDeg: number;
  rollDeg: number;
}

const RADIANS = Math.PI / 180;

/** The true upwards direction in the camera's frame. */
export function upOf({ pitchDeg, rollDeg }: Level): Vector3 {
  const pitch = pitchDeg * RADIANS;
  const roll = rollDeg * RADIANS;
  return [-Math.sin(roll) * Math.cos(pitch), -Math.cos(roll) * Math.cos(pitch), Math.sin(pitch)];
}

/** Level directions at the camera: to the right, upwards, and back from what it looks at. */
export interface Upright {
  right: Vector3;
  up: Vector3;
  back: Vector3;
}

/** The level directions of a camera by its upwards direction. */
export function uprightOf(up: Vector3): Upright {
  const back = unit3([up[2] * up[0], up[2] * up[1], up[2] * up[2] - 1]);
  return { right: cross3(up, back), up, back };
}

/** The direction from which a place in the picture is seen, with 1 along the axis. */
export function rayAt({ widthPx, heightPx, focalPx, bend, axis }: Camera, x: number, y: number): Vector3 {
  const across = (x - widthPx / 2) / focalPx - (axis?.[0] ?? 0);
  const down = (y - heightPx / 2) / focalPx - (axis?.[1] ?? 0);
  const grow = 1 + bend * (across * across + down * down);
  return [across * grow, down * grow, 1];
}

/** Where a place in the camera's frame is seen in the picture, x and y. */
export function seenAt({ widthPx, heightPx, focalPx, bend, axis }: Camera, place: Vector3): [number, number] {
  const across = place[0] / place[2];
  const down = place[1] / place[2];
  const squared = across * across + down * down;
  let shrink = 1;
  for (let turn = 0; turn < 4; turn++) shrink = 1 / (1 + bend * squared * shrink * shrink);
  return [
    widthPx / 2 + focalPx * (across * shrink + (axis?.[0] ?? 0)),
    heightPx / 2 + focalPx * (down * shrink + (axis?.[1] ?? 0)),
  ];
}

/** Where a ray meets the plane through a place with a normal. */
export function metAt(ray: Vector3, place: Vector3, normal: Vector3): Vector3 {
  return plus3([0, 0, 0], ray, dot3(place, normal) / dot3(ray, normal));
}
