/** A direction or place in the camera's frame: right, down, away from the lens. */
export type Vector3 = readonly [number, number, number];

/** Inner product. */
export const dot3 = (a: Vector3, b: Vector3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Cross product. */
export const cross3 = (a: Vector3, b: Vector3): Vector3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** a + k b. */
export const plus3 = (a: Vector3, b: Vector3, k = 1): Vector3 => [
  a[0] + k * b[0],
  a[1] + k * b[1],
  a[2] + k * b[2],
];

/** The same direction, one long. */
export function unit3(a: Vector3): Vector3 {
  const length = Math.hypot(...a);
  return [a[0] / length, a[1] / length, a[2] / length];
}
