/**
 * Cholesky factor of the leading n x n block of a row-major matrix of width `width`, in place of its lower triangle.
 * False, and a half-written matrix, when a pivot is not above `floor`. Where a matrix is allowed to be certain in some
 * direction, as a covariance is, a pivot that is not above it becomes zero with all below it. Allocates nothing.
 */
export function factorInPlace(
  matrix: Float64Array,
  n: number,
  width: number,
  floor: number,
  certain: 'refused' | 'allowed' = 'refused',
): boolean {
  for (let j = 0; j < n; j++) {
    const rowJ = j * width;
    for (let i = j; i < n; i++) {
      const rowI = i * width;
      let rest = matrix[rowI + j] as number;
      for (let k = 0; k < j; k++) rest -= (matrix[rowI + k] as number) * (matrix[rowJ + k] as number);
      if (i === j) {
        if (!(rest > floor) && certain === 'refused') return false;
        matrix[rowJ + j] = rest > floor ? Math.sqrt(rest) : 0;
      } else {
        const pivot = matrix[rowJ + j] as number;
        matrix[rowI + j] = pivot === 0 ? 0 : rest / pivot;
      }
    }
  }
  return true;
}

/** Solves L L' x = b with a factor from `factorInPlace`, over b. Allocates nothing. */
export function solveInPlace(factor: Float64Array, n: number, width: number, right: Float64Array): void {
  for (let i = 0; i < n; i++) {
    let rest = right[i] as number;
    for (let k = 0; k < i; k++) rest -= (factor[i * width + k] as number) * (right[k] as number);
    right[i] = rest / (factor[i * width + i] as number);
  }
  for (let i = n - 1; i >= 0; i--) {
    let rest = right[i] as number;
    for (let k = i + 1; k < n; k++) rest -= (factor[k * width + i] as number) * (right[k] as number);
    right[i] = rest / (factor[i * width + i] as number);
  }
}
