import fc from 'fast-check';
import { chiSquaredAbove } from './chiSquared.ts';
import { spreadOf } from './spread.ts';
import { solveBox } from './boxQp.ts';
import { apply, cholesky, invertSpd, multiply, solveSpd, transpose } from './matrix.ts';
import { seededUniform, standardNormal } from './random.ts';

const number = fc.double({ min: -5, max: 5, noNaN: true });
const square = (n: number) =>
  fc.array(fc.array(number, { minLength: n, maxLength: n }), { minLength: n, maxLength: n });

/** B'B + I/2: symmetric positive definite for any B. */
const spdFrom = (b: number[][]) =>
  multiply(transpose(b), b).map((row, i) => row.map((value, j) => value + (i === j ? 0.5 : 0)));

describe('symmetric positive definite systems', () => {
  test('a system worked by hand', () => {
    expect(
      solveSpd(
        [
          [4, 2],
          [2, 3],
        ],
        [2, 5],
      ),
    ).toEqual([expect.closeTo(-0.5, 12), expect.closeTo(2, 12)]);
    expect(
      cholesky([
        [4, 2],
        [2, 5],
      ]),
    ).toEqual([
      [2, 0],
      [1, 2],
    ]);
  });

  test('the solution solves the system and the inverse inverts', () => {
    fc.assert(
      fc.property(square(4), fc.array(number, { minLength: 4, maxLength: 4 }), (b, right) => {
        const matrix = spdFrom(b);
        apply(matrix, solveSpd(matrix, right)).forEach((value, i) =>
          expect(value).toBeCloseTo(right[i] as number, 6),
        );
        multiply(matrix, invertSpd(matrix)).forEach((row, i) =>
          row.forEach((value, j) => expect(value).toBeCloseTo(i === j ? 1 : 0, 6)),
        );
      }),
    );
  });

  test('a singular matrix is refused', () => {
    expect(() =>
      solveSpd(
        [
          [1, 1],
          [1, 1],
        ],
        [1, 1],
      ),
    ).toThrow(/positive definite/);
  });
});

describe('least squares in a box', () => {
  test('free, held and pulled along by a held neighbour, by hand', () => {
    const hessian = [
      [2, 1],
      [1, 2],
    ];
    const wide = { hessian, gradient: [3, 3], lower: [-9, -9], upper: [9, 9] };
    expect(solveBox(wide).x).toEqual([expect.closeTo(1, 9), expect.closeTo(1, 9)]);
    // With x0 held at 0.5 the other solves 2 y = 3 - 0.5.
    // Bounds on one side of nothing only.
    const apart = { ...wide, lower: [-9, -9], upper: [-2, -3] };
    expect(solveBox(apart).x).toEqual([-2, -3]);
    expect(solveBox({ ...wide, lower: [4, 5], upper: [9, 9] }).x).toEqual([4, 5]);
    expect(solveBox({ ...wide, upper: [0.5, 9] }).x).toEqual([0.5, expect.closeTo(1.25, 9)]);
  });

  test('meets the conditions for a minimum, whatever the problem', () => {
    const bounds = fc.tuple(
      fc.double({ min: -4, max: 0, noNaN: true }),
      fc.double({ min: 0, max: 4, noNaN: true }),
    );
    const problem = fc.tuple(
      square(4),
      fc.array(fc.double({ min: -40, max: 40, noNaN: true }), { minLength: 4, maxLength: 4 }),
      fc.array(bounds, { minLength: 4, maxLength: 4 }),
    );
    fc.assert(
      fc.property(problem, ([b, gradient, box]) => {
        const hessian = spdFrom(b);
        const [lower, upper] = [box.map(([low]) => low), box.map(([, high]) => high)];
        const { x, converged } = solveBox({ hessian, gradient, lower, upper });
        expect(converged).toBe(true);
        apply(hessian, x).forEach((value, i) => {
          const slope = value - (gradient[i] as number);
          const [xi, low, high] = [x[i] as number, lower[i] as number, upper[i] as number];
          expect(xi).toBeGreaterThanOrEqual(low - 1e-9);
          expect(xi).toBeLessThanOrEqual(high + 1e-9);
          if (xi > low + 1e-6) expect(slope).toBeLessThanOrEqual(1e-5);
          if (xi < high - 1e-6) expect(slope).toBeGreaterThanOrEqual(-1e-5);
        });
      }),
      { numRuns: 500 },
    );
  });
});

test('the normal generator has mean 0 and variance 1, and repeats with its seed', () => {
  const uniform = seededUniform(7);
  const draws = Array.from({ length: 20000 }, () => standardNormal(uniform));
  const mean = draws.reduce((sum, value) => sum + value, 0) / draws.length;
  const variance = draws.reduce((sum, value) => sum + (value - mean) ** 2, 0) / draws.length;
  expect(Math.abs(mean)).toBeLessThan(0.03);
  expect(Math.abs(variance - 1)).toBeLessThan(0.05);
  expect(standardNormal(seededUniform(7))).toBe(draws[0]);
});

test('chi-squared of eight degrees of freedom has a spread of four', () => {
  expect(chiSquaredAbove(8, 2.5)).toBeCloseTo(18, 12);
});

test('the spread of each column is about its own mean', () => {
  const [first, second] = spreadOf([[1, 10], [2, 10], [3, 10], [6, 14]]); // oxfmt-ignore
  // Squares about 3: 4 + 1 + 0 + 9, by three; about 11: 3 x 1 + 9.
  expect(first).toBeCloseTo(Math.sqrt(14 / 3), 12);
  expect(second).toBeCloseTo(2, 12);
});
