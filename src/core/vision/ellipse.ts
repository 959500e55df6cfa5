import { symmetricEigen } from './symmetricEigen.ts';

/** A conic a x² + b x y + c y² + d x + e y + f = 0. */
type Conic = readonly [number, number, number, number, number, number];

/** An ellipse by its middle, its half axes (the longer first) and the turn of the longer one from the x axis, rad. */
export interface Ellipse {
  x: number;
  y: number;
  major: number;
  minor: number;
  turn: number;
}

/**
 * The ellipse through points in the sense of least squares, with weights; null where the points show none.
 * Halir and Flusser, "Numerically stable direct least squares fitting of ellipses" (1998), after Fitzgibbon, Pilu and
 * Fisher (1996). Points are brought about their middle and to unit size first.
 * @param xs and ys of at least five points; `weights` one for each.
 */
export function fitEllipse(
  xs: ArrayLike<number>,
  ys: ArrayLike<number>,
  weights: ArrayLike<number> | null = null,
): Ellipse | null {
  const n = xs.length;
  if (n < 5) return null;
  let total = 0;
  let midX = 0;
  let midY = 0;
  for (let i = 0; i < n; i++) {
    const weight = weights?.[i] ?? 1;
    total += weight;
    midX += weight * (xs[i] as number);
    midY += weight * (ys[i] as number);
  }
  if (!(total > 0)) return null;
  midX /= total;
  midY /= total;
  let size = 0;
  for (let i = 0; i < n; i++)
    size += (weights?.[i] ?? 1) * (((xs[i] as number) - midX) ** 2 + ((ys[i] as number) - midY) ** 2);
  size = Math.sqrt(size / total);
  if (!(size > 0)) return null;
  /** Sums of x^i y^j. */
  const sums = Array.from({ length: 5 }, () => new Float64Array(5));
  for (let i = 0; i < n; i++) {
    const x = ((xs[i] as number) - midX) / size;
    const y = ((ys[i] as number) - midY) / size;
    let power = weights?.[i] ?? 1;
    for (let p = 0; p < 5; p++, power *= x) {
      let both = power;
      for (let q = 0; q + p < 5; q++, both *= y)
        (sums[p] as Float64Array)[q] = (sums[p]?.[q] as number) + both;
    }
  }
  const m = (p: number, q: number): number => sums[p]?.[q] as number;
  const s1 = [
    [m(4, 0), m(3, 1), m(2, 2)],
    [m(3, 1), m(2, 2), m(1, 3)],
    [m(2, 2), m(1, 3), m(0, 4)],
  ];
  const s2 = [
    [m(3, 0), m(2, 1), m(2, 0)],
    [m(2, 1), m(1, 2), m(1, 1)],
    [m(1, 2), m(0, 3), m(0, 2)],
  ];
  const s3 = [
    [m(2, 0), m(1, 1), m(1, 0)],
    [m(1, 1), m(0, 2), m(0, 1)],
    [m(1, 0), m(0, 1), m(0, 0)],
  ];
  const inverse = invert3(s3);
  if (!inverse) return null;
  const t = times3(inverse, transpose3(s2)).map((row) => row.map((value) => -value));
  const reduced = plusProduct(s1, s2, t);
  const quadratic = bestQuadratic(reduced);
  if (!quadratic) return null;
  const linear = t.map((row) => row.reduce((sum, value, k) => sum + value * (quadratic[k] as number), 0));
  const found = ellipseOf([...quadratic, ...linear] as unknown as Conic);
  return (
    found && {
      x: midX + size * found.x,
      y: midY + size * found.y,
      major: size * found.major,
      minor: size * found.minor,
      turn: found.turn,
    }
  );
}

/**
 * The quadratic part (a, b, c) with 4ac - b² = 1 that costs least: of the eigenvectors of C⁻¹M the one that is an ellipse.
 * M is symmetric positive, so the pencil is solved by its symmetric square root.
 */
function bestQuadratic(matrix: number[][]): number[] | null {
  const { values, vectors } = symmetricEigen(matrix);
  if (!((values[2] as number) > 0) && !((values[0] as number) > 0)) return null;
  const half = (power: number): number[][] =>
    [0, 1, 2].map((i) =>
      [0, 1, 2].map((j) =>
        [0, 1, 2].reduce(
          (sum, k) =>
            sum +
            (vectors[i]?.[k] as number) *
              (vectors[j]?.[k] as number) *
              Math.max(values[k] as number, 1e-14 * (values[0] as number)) ** power,
          0,
        ),
      ),
    );
  const root = half(-0.5);
  const constraint = [
    [0, 0, 2],
    [0, -1, 0],
    [2, 0, 0],
  ];
  const turned = times3(times3(root, constraint), root);
  const best = symmetricEigen(turned);
  if (!((best.values[0] as number) > 0)) return null;
  return root.map((row) => row.reduce((sum, value, k) => sum + value * (best.vectors[k]?.[0] as number), 0));
}

/** The ellipse of a conic; null where it is none. */
function ellipseOf([a, b, c, d, e, f]: Conic): Ellipse | null {
  const det = 4 * a * c - b * b;
  if (!(det > 0)) return null;
  const x = (b * e - 2 * c * d) / det;
  const y = (b * d - 2 * a * e) / det;
  const value = f + (d * x + e * y) / 2;
  const mean = (a + c) / 2;
  const apart = Math.hypot((a - c) / 2, b / 2);
  const [first, second] = [-value / (mean + apart), -value / (mean - apart)];
  if (!(first > 0) || !(second > 0)) return null;
  const turn = 0.5 * Math.atan2(b, a - c);
  return first > second
    ? { x, y, major: Math.sqrt(first), minor: Math.sqrt(second), turn }
    : { x, y, major: Math.sqrt(second), minor: Math.sqrt(first), turn: turn + Math.PI / 2 };
}

/** A place on an ellipse, at an angle from its own longer axis, with the outward normal there: x, y, normal's x and y. */
export function placeOn(
  { x, y, major, minor, turn }: Ellipse,
  angle: number,
): [number, number, number, number] {
  const [along, across] = [Math.cos(angle), Math.sin(angle)];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const length = Math.hypot(along * minor, across * major);
  const [nx, ny] = [(along * minor) / length, (across * major) / length];
  return [
    x + cos * major * along - sin * minor * across,
    y + sin * major * along + cos * minor * across,
    cos * nx - sin * ny,
    sin * nx + cos * ny,
  ];
}

type Rows = readonly (readonly number[])[];

const times3 = (a: Rows, b: Rows): number[][] =>
  a.map((row) => [0, 1, 2].map((j) => row.reduce((sum, value, k) => sum + value * (b[k]?.[j] as number), 0)));

const transpose3 = (a: Rows): number[][] => [0, 1, 2].map((i) => a.map((row) => row[i] as number));

const plusProduct = (a: Rows, b: Rows, c: Rows): number[][] => {
  const product = times3(b, c);
  return a.map((row, i) => row.map((value, j) => value + (product[i]?.[j] as number)));
};

function invert3(matrix: Rows): number[][] | null {
  const { values, vectors } = symmetricEigen(matrix);
  if (!(Math.abs(values[2] as number) > 1e-12 * Math.abs(values[0] as number))) return null;
  return [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) =>
      [0, 1, 2].reduce(
        (sum, k) => sum + ((vectors[i]?.[k] as number) * (vectors[j]?.[k] as number)) / (values[k] as number),
        0,
      ),
    ),
  );
}
