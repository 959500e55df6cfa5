/** Standard deviation of each column about its mean, by n - 1; none of fewer than two rows. */
export function spreadOf(rows: readonly (readonly number[])[]): number[] {
  const [first = []] = rows;
  return first.map((_, k) => {
    const column = rows.map((row) => row[k] ?? NaN);
    const mean = column.reduce((sum, value) => sum + value, 0) / column.length;
    const squares = column.reduce((sum, value) => sum + (value - mean) ** 2, 0);
    return Math.sqrt(squares / (column.length - 1));
  });
}
