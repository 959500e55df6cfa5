import type { RatioDescription } from '../geometry/ratioMap.ts';

const { max, min } = Math;

/** Way of damper or spring in mm by wheel travel. Throws for a linkage. */
export function mapOf(ratio: RatioDescription, travel: number): (z: number) => number {
  switch (ratio.kind) {
    case 'constant':
      return (z) => ratio.ratio * (z + ((ratio.rise ?? 0) * z * z) / (2 * travel));
    case 'levers':
      return (z) =>
        (z * ratio.damperLeverMm * Math.sin((ratio.damperAngleDeg * Math.PI) / 180)) / ratio.wheelLeverMm;
    case 'table':
      return hermite(ratio.rows);
    case 'linkage':
      throw new Error('expected a map known in closed form');
  }
}

/** Fritsch and Butland's curve through rows, by Hermite's basis functions; straight outside. */
function hermite(rows: readonly (readonly [number, number])[]): (z: number) => number {
  const n = rows.length;
  const x = rows.map(([a]) => a);
  const y = rows.map(([, b]) => b);
  const h = x.slice(1).map((value, i) => value - (x[i] ?? 0));
  const d = h.map((value, i) => ((y[i + 1] ?? 0) - (y[i] ?? 0)) / value);
  const g = (list: number[], i: number) => list[i] as number;
  const edge = (h0: number, h1: number, d0: number, d1: number) =>
    min(max((d0 * (2 * h0 + h1) - d1 * h0) / (h0 + h1), 0), 3 * d0);
  const m = x.map((_, i) => {
    if (i === 0) return edge(g(h, 0), g(h, 1), g(d, 0), g(d, 1));
    if (i === n - 1) return edge(g(h, n - 2), g(h, n - 3), g(d, n - 2), g(d, n - 3));
    const [a, b] = [2 * g(h, i) + g(h, i - 1), g(h, i) + 2 * g(h, i - 1)];
    return (a + b) / (a / g(d, i - 1) + b / g(d, i));
  });
  return (z) => {
    if (z <= g(x, 0)) return g(y, 0) + g(m, 0) * (z - g(x, 0));
    if (z >= g(x, n - 1)) return g(y, n - 1) + g(m, n - 1) * (z - g(x, n - 1));
    const i = x.findIndex((value) => value > z) - 1;
    const t = (z - g(x, i)) / g(h, i);
    return (
      g(y, i) * (1 + 2 * t) * (1 - t) ** 2 +
      g(m, i) * g(h, i) * t * (1 - t) ** 2 +
      g(y, i + 1) * t * t * (3 - 2 * t) +
      g(m, i + 1) * g(h, i) * t * t * (t - 1)
    );
  };
}
