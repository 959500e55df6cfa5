import { softened } from './inLogarithms.ts';
import type { LightPicture } from './picture.ts';

/** So many places. */
const CENTRES = 6;

/**
 * Places to which the most edges point from their dark side to their bright one, of a picture in logarithms of light.
 * @param reach how far from a place its edges may lie, pixels, from and to.
 */
export function centres(
  { widthPx, heightPx, light }: LightPicture,
  [least, most]: readonly [number, number],
): [number, number][] {
  const votes = new Float32Array(widthPx * heightPx);
  for (let y = 2; y < heightPx - 2; y += 2)
    for (let x = 2 + ((y >> 1) & 1); x < widthPx - 2; x += 2) {
      const i = y * widthPx + x;
      const gx = (light[i + 1] as number) - (light[i - 1] as number);
      const gy = (light[i + widthPx] as number) - (light[i - widthPx] as number);
      const steep = Math.sqrt(gx * gx + gy * gy);
      if (steep < 0.12) continue;
      const weight = Math.min(steep, 0.5);
      const [ux, uy] = [gx / steep, gy / steep];
      for (let r = least; r <= most; r += 3) {
        const vx = Math.round(x + r * ux);
        const vy = Math.round(y + r * uy);
        if (vx < 0 || vy < 0 || vx >= widthPx || vy >= heightPx) break;
        const at = vy * widthPx + vx;
        votes[at] = (votes[at] as number) + weight;
      }
    }
  let all: LightPicture = { widthPx, heightPx, light: votes };
  for (let pass = 0; pass < 3; pass++) all = softened(all);
  const peaks: [number, number][] = [];
  const left = all.light;
  const apart = Math.ceil(0.5 * least);
  for (let k = 0; k < CENTRES; k++) {
    let best = 0;
    for (let i = 1; i < left.length; i++) if ((left[i] as number) > (left[best] as number)) best = i;
    const [x, y] = [best % widthPx, Math.floor(best / widthPx)];
    peaks.push([x, y]);
    for (let yy = Math.max(0, y - apart); yy <= Math.min(heightPx - 1, y + apart); yy++)
      left.fill(0, yy * widthPx + Math.max(0, x - apart), yy * widthPx + Math.min(widthPx, x + apart + 1));
  }
  return peaks;
}
