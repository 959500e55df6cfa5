import type { Camera } from './camera.ts';
import { rayAt } from './camera.ts';
import { placeOn, type Ellipse } from './ellipse.ts';
import { symmetricEigen } from './symmetricEigen.ts';
import type { Vector3 } from './vector.ts';

/** A circle in space: its middle in the camera's frame, in units of its radius, and its normal towards the camera. */
export interface CirclePose {
  middle: Vector3;
  normal: Vector3;
}

/**
 * The two circles of radius 1 that are seen as an ellipse; null where the ellipse cannot be one. Chen, Wu and Wada, "Camera
 * calibration with two arbitrary coplanar circles" (2004), section 2. An almost round picture gives two that are almost alike.
 */
export function circlePoses(camera: Camera, ellipse: Ellipse): [CirclePose, CirclePose] | null {
  const cone = coneOf(camera, ellipse);
  if (!cone) return null;
  const eigen = symmetricEigen(cone);
  const [first, second, third] = eigen.values as [number, number, number];
  if (!(first > 0 && second > 0 && third < 0)) return null;
  const apart = first - third;
  const h = Math.sqrt(Math.max(first - second, 0) / apart);
  const g = Math.sqrt((second - third) / apart);
  const scale = 1 / Math.sqrt(-first * third);
  const one = (side: number): CirclePose => {
    const turn = (a: number, c: number): Vector3 =>
      [0, 1, 2].map(
        (i) => a * (eigen.vectors[i]?.[0] as number) + c * (eigen.vectors[i]?.[2] as number),
      ) as unknown as Vector3;
    const middle = turn(side * third * h * scale, -first * g * scale);
    const normal = turn(side * h, -g);
    const front = middle[2] > 0 ? 1 : -1;
    const facing = normal[2] < 0 ? 1 : -1;
    return {
      middle: middle.map((value) => front * value) as unknown as Vector3,
      normal: normal.map((value) => facing * value) as unknown as Vector3,
    };
  };
  return [one(1), one(-1)];
}

/** The cone of rays through an ellipse as a symmetric matrix, by least squares through places on it, so that bent rays count. */
function coneOf(camera: Camera, ellipse: Ellipse): number[][] | null {
  const sums = Array.from({ length: 6 }, () => new Array<number>(6).fill(0));
  for (let k = 0; k < 48; k++) {
    const [px, py] = placeOn(ellipse, (k * Math.PI) / 24);
    const [x, y] = rayAt(camera, px, py);
    const row = [x * x, 2 * x * y, y * y, 2 * x, 2 * y, 1];
    for (let i = 0; i < 6; i++)
      for (let j = 0; j < 6; j++)
        (sums[i] as number[])[j] = (sums[i]?.[j] as number) + (row[i] as number) * (row[j] as number);
  }
  const { vectors } = symmetricEigen(sums);
  const [a, b, c, d, e, f] = vectors.map((row) => row[5] as number) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const sign = a + c > 0 ? 1 : -1;
  return [
    [a, b, d],
    [b, c, e],
    [d, e, f],
  ].map((row) => row.map((value) => sign * value));
}
