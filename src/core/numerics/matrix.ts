import { factorInPlace, solveInPlace } from './flatCholesky.ts';

/** Small dense matrices as arrays of rows. Every function returns new data. */
export type Vector = readonly number[];
export type Matrix = readonly Vector[];

/** Element (i, j); a missing element is a programmer error. */
export function at(matrix: Matrix, i: number, j: number): number {
  const value = matrix[i]?.[j];
  if (value === undefined) throw new Error(`expected an element at ${i},${j}, got none`);
  return value;
}

/** Element i of a vector; a missing element is a programmer error. */
export function entry(vector: Vector, i: number): number {
  const value = vector[i];
  if (value === undefined) throw new Error(`expected an element at ${i}, got none`);
  return value;
}

/** rows x columns matrix filled by a function of the indices. */
export function build(rows: number, columns: number, fill: (i: number, j: number) => number): number[][] {
  return Array.from({ length: rows }, (_, i) => Array.from({ length: columns }, (_, j) => fill(i, j)));
}

/** n x n identity. */
export function identity(n: number): number[][] {
  return build(n, n, (i, j) => (i === j ? 1 : 0));
}

/** Transpose. */
export function transpose(matrix: Matrix): number[][] {
  return build(matrix[0]?.length ?? 0, matrix.length, (i, j) => at(matrix, j, i));
}

/** Matrix product. */
export function multiply(a: Matrix, b: Matrix): number[][] {
  return build(a.length, b[0]?.length ?? 0, (i, j) =>
    b.reduce((sum, row, k) => sum + at(a, i, k) * entry(row, j), 0),
  );
}

/** Matrix times vector. */
export function apply(matrix: Matrix, vector: Vector): number[] {
  return matrix.map((row) => dot(row, vector));
}

/** Inner product of two vectors of one length, of whichever kind. */
export function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
  if (a.length !== b.length)
    throw new Error(`expected vectors of one length, got ${a.length} and ${b.length}`);
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += (a[i] as number) * (b[i] as number);
  return sum;
}

/**
 * Lower Cholesky factor L with L L' = A, for symmetric A. A pivot that rounding made zero or slightly
 * negative becomes zero, so that a covariance with a certain direction is allowed.
 */
export function cholesky(matrix: Matrix): number[][] {
  const n = matrix.length;
  const flat = Float64Array.from(matrix.flat());
  factorInPlace(flat, n, n, 0, 'allowed');
  return build(n, n, (i, j) => (j > i ? 0 : (flat[i * n + j] as number)));
}

/** Solves A x = b for symmetric positive definite A. Throws when A is singular. */
export function solveSpd(matrix: Matrix, right: Vector): number[] {
  const n = matrix.length;
  const flat = Float64Array.from(matrix.flat());
  if (!factorInPlace(flat, n, n, 0))
    throw new Error('expected a positive definite matrix, got a singular one');
  const solution = Float64Array.from(right);
  solveInPlace(flat, n, n, solution);
  return [...solution];
}

/** Inverse of a symmetric positive definite matrix. */
export function invertSpd(matrix: Matrix): number[][] {
  return transpose(identity(matrix.length).map((column) => solveSpd(matrix, column)));
}
