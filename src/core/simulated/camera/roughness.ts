import { seededUniform } from '../../numerics/random.ts';

/** Uneven between 0 and 1 over a surface, with waves of about `sizeMm`. */
export type Rough = (x: number, y: number, sizeMm: number) => number;

const CELLS = 64;
/** Values of the surface to each cell of its grid. */
const FINE = 8;
const SIDE = CELLS * FINE;
const SHIFT = 4096 * SIDE;

/** A rough surface of its own for each seed: two octaves of smooth values on a grid that repeats. */
export function roughness(seed: number): Rough {
  const uniform = seededUniform(seed);
  const grid = Float32Array.from({ length: CELLS * CELLS }, uniform);
  const surface = new Float32Array(SIDE * SIDE);
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++) surface[y * SIDE + x] = smooth(grid, x / FINE, y / FINE);
  const at = (x: number, y: number): number =>
    // Shifted so that places left of and below nothing are rounded as others are.
    surface[((y * FINE + SHIFT) & (SIDE - 1)) * SIDE + ((x * FINE + SHIFT) & (SIDE - 1))] as number;
  return (x, y, sizeMm) => {
    const scale = 1 / sizeMm;
    return 0.65 * at(x * scale, y * scale) + 0.35 * at((x + 31) * 2.5 * scale, y * 2.5 * scale);
  };
}

function smooth(grid: Float32Array, x: number, y: number): number {
  const left = Math.floor(x);
  const top = Math.floor(y);
  const [a, b] = [x - left, y - top];
  const [sa, sb] = [a * a * (3 - 2 * a), b * b * (3 - 2 * b)];
  const value = (i: number, j: number): number =>
    grid[((top + j) & (CELLS - 1)) * CELLS + ((left + i) & (CELLS - 1))] as number;
  const upper = value(0, 0) * (1 - sa) + value(1, 0) * sa;
  const lower = value(0, 1) * (1 - sa) + value(1, 1) * sa;
  return upper * (1 - sb) + lower * sb;
}
