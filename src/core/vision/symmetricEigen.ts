/**
 * Eigenvalues, the largest first, and eigenvectors (as columns) of a small symmetric matrix, by Jacobi's rotations
 * (Golub and Van Loan, "Matrix Computations", 8.5).
 */
export function symmetricEigen(matrix: readonly (readonly number[])[]): {
  values: number[];
  vectors: number[][];
} {
  const n = matrix.length;
  const a = matrix.map((row) => [...row]);
  const v = a.map((_, i) => a.map((__, j) => (i === j ? 1 : 0)));
  const get = (m: number[][], i: number, j: number): number => m[i]?.[j] as number;
  const set = (m: number[][], i: number, j: number, value: number) => {
    (m[i] as number[])[j] = value;
  };
  for (let sweep = 0; sweep < 30; sweep++) {
    let off = 0;
    for (let p = 0; p < n; p++) for (let q = p + 1; q < n; q++) off += Math.abs(get(a, p, q));
    if (off < 1e-300) break;
    for (let p = 0; p < n; p++)
      for (let q = p + 1; q < n; q++) {
        const apq = get(a, p, q);
        if (apq === 0) continue;
        const theta = (get(a, q, q) - get(a, p, p)) / (2 * apq);
        const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
        const c = 1 / Math.sqrt(t * t + 1);
        const s = t * c;
        for (const m of [a, v])
          for (let k = 0; k < n; k++) {
            const [kp, kq] = [get(m, k, p), get(m, k, q)];
            set(m, k, p, c * kp - s * kq);
            set(m, k, q, s * kp + c * kq);
          }
        for (let k = 0; k < n; k++) {
          const [pk, qk] = [get(a, p, k), get(a, q, k)];
          set(a, p, k, c * pk - s * qk);
          set(a, q, k, s * pk + c * qk);
        }
      }
  }
  const order = a.map((_, i) => i).sort((i, j) => get(a, j, j) - get(a, i, i));
  return {
    values: order.map((i) => get(a, i, i)),
    vectors: v.map((row) => order.map((i) => row[i] as number)),
  };
}
