/**
 * Eigenvalues, the largest first, and eigenvectors (as columns) of a small symmetric matrix, by Jacobi's rotations
 * (Golub and Van Loan, "Matrix Computations", 8.5).
 */
export function symmetricEigen(matrix: readonly (readonly number[])[]): {
  values: number[];
  vectors: number[][];
} {
  const n = matrix.length;
  const a = Float64Array.from(matrix.flat());
  const v = Float64Array.from(a, (_, i) => (i % (n + 1) === 0 ? 1 : 0));
  for (let sweep = 0; sweep < 30 && offDiagonal(a, n) > 1e-300; sweep++)
    for (let p = 0; p < n; p++) for (let q = p + 1; q < n; q++) rotate(a, v, n, p, q);
  const order = matrix.map((_, i) => i).sort((i, j) => (a[j * n + j] as number) - (a[i * n + i] as number));
  return {
    values: order.map((i) => a[i * n + i] as number),
    vectors: matrix.map((_, k) => order.map((i) => v[k * n + i] as number)),
  };
}

function offDiagonal(a: Float64Array, n: number): number {
  let sum = 0;
  for (let p = 0; p < n; p++) for (let q = p + 1; q < n; q++) sum += Math.abs(a[p * n + q] as number);
  return sum;
}

/** Turns rows and columns p and q so that what they share is nothing. */
function rotate(a: Float64Array, v: Float64Array, n: number, p: number, q: number): void {
  const apq = a[p * n + q] as number;
  if (apq === 0) return;
  const theta = ((a[q * n + q] as number) - (a[p * n + p] as number)) / (2 * apq);
  const t = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
  const c = 1 / Math.sqrt(t * t + 1);
  const s = t * c;
  turn(a, n, p, q, n, c, s);
  turn(v, n, p, q, n, c, s);
  turn(a, n, p * n, q * n, 1, c, s);
}

/** Mixes n places from `p` on with those from `q` on, `step` places apart. */
function turn(m: Float64Array, n: number, p: number, q: number, step: number, c: number, s: number): void {
  for (let k = 0; k < n; k++) {
    const kp = m[p + k * step] as number;
    const kq = m[q + k * step] as number;
    m[p + k * step] = c * kp - s * kq;
    m[q + k * step] = s * kp + c * kq;
  }
}
