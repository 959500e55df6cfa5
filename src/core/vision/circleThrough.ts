import type { Ellipse } from './ellipse.ts';
import { fitEllipse } from './ellipse.ts';

/** An outline through places on it: a circle through three or four, an ellipse through more; null where they lie in line. */
export function circleThrough(places: readonly (readonly [number, number])[]): Ellipse | null {
  if (places.length >= 6)
    return fitEllipse(
      places.map(([x]) => x),
      places.map(([, y]) => y),
    );
  const n = places.length;
  const [mx, my] = [0, 1].map((k) => places.reduce((sum, place) => sum + (place[k] as number), 0) / n) as [
    number,
    number,
  ];
  let [xx, xy, yy, xz, yz] = [0, 0, 0, 0, 0];
  let meanSquare = 0;
  for (const [x, y] of places) {
    const [dx, dy] = [x - mx, y - my];
    const square = dx * dx + dy * dy;
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
    xz += dx * square;
    yz += dy * square;
    meanSquare += square / n;
  }
  const det = xx * yy - xy * xy;
  if (!(det > 1e-6 * meanSquare * meanSquare)) return null;
  const a = (xz * yy - yz * xy) / (2 * det);
  const b = (yz * xx - xz * xy) / (2 * det);
  const radius = Math.sqrt(meanSquare + a * a + b * b);
  return { x: mx + a, y: my + b, major: radius, minor: radius, turn: 0 };
}
