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

/** Inner product. */
export function dot(a: Vector, b: Vector): number {
  return a.reduce((sum, value, i) => sum + value * entry(b, i), 0);
}

/**
 * Lower Cholesky factor L with L L' = A, for symmetric A. A pivot that rounding made zero or slightly
 * negative becomes zero, so that a covariance with a certain direction is allowed.
 */
export function cholesky(matrix: Matrix): number[][] {
  const lower = build(matrix.length, matrix.length, () => 0);
  for (let j = 0; j < matrix.length; j++) {
    for (let i = j; i < matrix.length; i++) {
      const rest = at(matrix, i, j) - partialDot(lower, i, j);
      const pivot = at(lower, j, j);
      const value = i === j ? Math.sqrt(Math.max(rest, 0)) : pivot === 0 ? 0 : rest / pivot;
      (lower[i] as number[])[j] = value;
    }
  }
  return lower;
}

function partialDot(lower: Matrix, i: number, j: number): number {
  let sum = 0;
  for (let k = 0; k < j; k++) sum += at(lower, i, k) * at(lower, j, k);
  return sum;
}

/** Solves A x = b for symmetric positive definite A. Throws when A is singular. */
export function solveSpd(matrix: Matrix, right: Vector): number[] {
  const lower = cholesky(matrix);
  if (lower.some((row, i) => entry(row, i) === 0))
    throw new Error('expected a positive definite matrix, got a singular one');
  const forward: number[] = [];
  lower.forEach((row, i) => {
    const known = forward.reduce((sum, value, k) => sum + entry(row, k) * value, 0);
    forward.push((entry(right, i) - known) / entry(row, i));
  });
  const solution = forward.slice();
  for (let i = lower.length - 1; i >= 0; i--) {
    let rest = entry(forward, i);
    for (let k = i + 1; k < lower.length; k++) rest -= at(lower, k, i) * entry(solution, k);
    solution[i] = rest / at(lower, i, i);
  }
  return solution;
}

/** Inverse of a symmetric positive definite matrix. */
export function invertSpd(matrix: Matrix): number[][] {
  return transpose(identity(matrix.length).map((column) => solveSpd(matrix, column)));
}
