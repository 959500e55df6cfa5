import type { LightPicture } from './picture.ts';

/** A picture as logarithms of its light, a little softened: a shadow over a part of it changes no step of light but at the shadow's own edge. */
export const inLogarithms = (picture: LightPicture): LightPicture => softened(logarithm(picture));

/** Logarithms are looked up in steps this fine. */
const LOG_STEPS = 16_384;

function logarithm({ widthPx, heightPx, light }: LightPicture): LightPicture {
  const sorted = Float32Array.from(
    { length: 2000 },
    (_, i) => light[Math.floor((i * light.length) / 2000)] as number,
  ).sort();
  const floor = 0.03 * (sorted[1000] as number) + 0.0015;
  const logOf = Float32Array.from({ length: LOG_STEPS + 1 }, (_, i) => Math.log(i / LOG_STEPS + floor));
  const logs = new Float32Array(light.length);
  for (let i = 0; i < logs.length; i++)
    logs[i] = logOf[((light[i] as number) * LOG_STEPS + 0.5) | 0] as number;
  return { widthPx, heightPx, light: logs };
}

/** The mean of each place and those about it, which weigh less. */
export function softened({ widthPx, heightPx, light }: LightPicture): LightPicture {
  const rows = new Float32Array(light);
  for (let y = 0; y < heightPx; y++)
    for (let x = 1; x < widthPx - 1; x++) {
      const i = y * widthPx + x;
      rows[i] = 0.25 * ((light[i - 1] as number) + (light[i + 1] as number)) + 0.5 * (light[i] as number);
    }
  const soft = new Float32Array(rows);
  for (let i = widthPx; i < light.length - widthPx; i++)
    soft[i] =
      0.25 * ((rows[i - widthPx] as number) + (rows[i + widthPx] as number)) + 0.5 * (rows[i] as number);
  return { widthPx, heightPx, light: soft };
}
