import { lightAt, type GreyPicture } from './picture.ts';

/** A step of light along a line: where it lies from the line's middle, how much it falls (rises where negative), and how wide it is. */
export interface Step {
  atPx: number;
  fall: number;
  /** Light where the line comes from. */
  lightBefore: number;
  /** Standard deviation of the blur that would make the step as wide as it is. */
  blurPx: number;
}

/** Places along the line at which its light is taken, so many to a pixel. */
const FINE = 2;

/**
 * The steps of light along a line through (x, y) in direction (dx, dy), from -reach to reach, each found below a pixel by a
 * parabola through the slope's peak. Each place's light is the mean of `across` places beside it, so that noise weighs less.
 * @param softPx standard deviation over which the slope is taken.
 */
export function stepsAlong(
  picture: GreyPicture,
  [x, y, dx, dy]: readonly [number, number, number, number],
  reachPx: number,
  softPx: number,
  across = 3,
): Step[] {
  const n = 2 * Math.ceil(reachPx * FINE) + 1;
  const middle = (n - 1) / 2;
  const light = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    const along = (k - middle) / FINE;
    let sum = 0;
    for (let j = 0; j < across; j++) {
      const aside = j - (across - 1) / 2;
      sum += lightAt(picture, x + along * dx - aside * dy, y + along * dy + aside * dx);
    }
    light[k] = sum / across;
  }
  return stepsIn(light, FINE, softPx);
}

/**
 * The steps in a row of light, `fine` of its places to a pixel; they lie from the middle of the row.
 * @param softPx standard deviation over which the slope is taken.
 */
export function stepsIn(light: Float64Array, fine: number, softPx: number): Step[] {
  const n = light.length;
  const middle = (n - 1) / 2;
  const slope = slopeOf(light, softPx * fine);
  const steps: Step[] = [];
  for (let k = 1; k < n - 1; k++) {
    const [before, here, after] = [slope[k - 1] as number, slope[k] as number, slope[k + 1] as number];
    const isPeak = here > 0 ? here > before && here >= after : here < before && here <= after;
    if (!isPeak) continue;
    const bend = before - 2 * here + after;
    const shift = bend === 0 ? 0 : Math.max(-0.5, Math.min(0.5, (0.5 * (before - after)) / bend));
    const from = light[Math.max(0, Math.round(k - 2 * softPx * fine))] as number;
    steps.push({
      atPx: (k + shift - middle) / fine,
      lightBefore: from,
      ...heightOf(slope, k, softPx * fine, fine),
    });
  }
  return steps;
}

/** Slope downwards to each place, by the derivative of a bell. */
function slopeOf(light: Float64Array, soft: number): Float64Array {
  const reach = Math.ceil(3 * soft);
  const bell = Float64Array.from({ length: reach + 1 }, (_, j) => j * Math.exp(-0.5 * (j / soft) ** 2));
  let unit = 0;
  for (let j = 1; j <= reach; j++) unit += 2 * j * (bell[j] as number);
  const n = light.length;
  const slope = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    let sum = 0;
    for (let j = 1; j <= reach; j++)
      sum +=
        (bell[j] as number) *
        ((light[k - j < 0 ? 0 : k - j] as number) - (light[k + j >= n ? n - 1 : k + j] as number));
    slope[k] = sum / unit;
  }
  return slope;
}

/** How much the light falls at a peak of the slope, and over how much: its area as far as the slope keeps its sign, and the width of a bell with it. */
function heightOf(
  slope: Float64Array,
  k: number,
  soft: number,
  fine: number,
): { fall: number; blurPx: number } {
  const sign = Math.sign(slope[k] as number);
  const peak = Math.abs(slope[k] as number);
  let fall = peak;
  for (const step of [-1, 1]) {
    let least = peak;
    for (let j = k + step; j >= 0 && j < slope.length; j += step) {
      const here = sign * (slope[j] as number);
      if (here <= 0.05 * peak || here > least + 0.1 * peak) break;
      least = Math.min(least, here);
      fall += here;
    }
  }
  const wide = fall / (peak * Math.sqrt(2 * Math.PI));
  return { fall: sign * fall, blurPx: Math.sqrt(Math.max(wide * wide - soft * soft, 0)) / fine };
}
