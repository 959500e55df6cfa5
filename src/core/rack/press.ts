/** A spring on the press: the straight line through its readings, and how far it can be trusted. */
export interface PressFit {
  rateNPerMm: number;
  /** One standard deviation of the rate, from the scatter; null with only two readings. */
  sdNPerMm: number | null;
  /** Force of the line at no compression, N: far from nothing where the ends were not seated. */
  atRestN: number;
  /** Farthest reading from the line, N. */
  worstN: number;
  /** Whether five readings or more bend beyond their scatter: a table says it better. */
  curved: boolean;
}

/** Times its own standard error that a bend must show. */
const CLEARLY = 3;

/**
 * Least squares through [compression mm, force N], two or more at different compressions; null otherwise. Bent is told by
 * a parabola through the same readings whose quadratic term stands clear of its own error and bends the rate by 5 %.
 */
export function pressFit(rows: readonly (readonly [number, number])[]): PressFit | null {
  const n = rows.length;
  const xm = mean(rows.map(([x]) => x));
  const fm = mean(rows.map(([, f]) => f));
  const sxx = rows.reduce((sum, [x]) => sum + (x - xm) ** 2, 0);
  if (n < 2 || sxx < 1e-9) return null;
  const rate = rows.reduce((sum, [x, f]) => sum + (x - xm) * f, 0) / sxx;
  const off = rows.map(([x, f]) => f - fm - rate * (x - xm));
  const rss = off.reduce((sum, e) => sum + e * e, 0);
  return {
    rateNPerMm: rate,
    sdNPerMm: n > 2 ? Math.sqrt(rss / (n - 2) / sxx) : null,
    atRestN: fm - rate * xm,
    worstN: Math.max(...off.map(Math.abs)),
    curved: n > 4 && isBent(rows, off, { xm, sxx, rate }),
  };
}

interface Line {
  xm: number;
  sxx: number;
  rate: number;
}

/** The quadratic term by regressing what the line leaves on what it leaves of x squared. */
function isBent(
  rows: readonly (readonly [number, number])[],
  off: number[],
  { xm, sxx, rate }: Line,
): boolean {
  const square = rows.map(([x]) => x ** 2);
  const sm = mean(square);
  const slope = rows.reduce((sum, [x], i) => sum + (x - xm) * (square[i] ?? 0), 0) / sxx;
  const q = rows.map(([x], i) => (square[i] ?? 0) - sm - slope * (x - xm));
  const qq = q.reduce((sum, one) => sum + one * one, 0);
  if (qq < 1e-9) return false;
  const bend = off.reduce((sum, e, i) => sum + e * (q[i] ?? 0), 0) / qq;
  const rest = off.reduce((sum, e, i) => sum + (e - bend * (q[i] ?? 0)) ** 2, 0);
  const sd = Math.sqrt(rest / Math.max(rows.length - 3, 1) / qq);
  const xs = rows.map(([x]) => x);
  const change = Math.abs(2 * bend) * (Math.max(...xs) - Math.min(...xs));
  return Math.abs(bend) > CLEARLY * sd && change > 0.05 * Math.abs(rate);
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
