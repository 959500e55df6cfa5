/** Solves a small square system by elimination with row exchange; null where it has no one answer. */
export function solveLinear(
  matrix: readonly (readonly number[])[],
  right: readonly number[],
): number[] | null {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i] as number]);
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(at(rows, i, k)) > Math.abs(at(rows, best, k))) best = i;
    [rows[k], rows[best]] = [rows[best] as number[], rows[k] as number[]];
    const row = rows[k] as number[];
    if (!(Math.abs(at(rows, k, k)) > 1e-12)) return null;
    for (let i = k + 1; i < n; i++) {
      const share = at(rows, i, k) / at(rows, k, k);
      const below = rows[i] as number[];
      for (let j = k; j <= n; j++) below[j] = (below[j] as number) - share * (row[j] as number);
    }
  }
  const answer = Array.from({ length: n }, () => 0);
  for (let k = n - 1; k >= 0; k--) {
    let rest = at(rows, k, n);
    for (let j = k + 1; j < n; j++) rest -= at(rows, k, j) * (answer[j] as number);
    answer[k] = rest / at(rows, k, k);
  }
  return answer;
}

const at = (rows: readonly (readonly number[])[], r: number, c: number) => (rows[r] as number[])[c] as number;
