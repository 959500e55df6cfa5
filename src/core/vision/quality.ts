import { stepsIn } from './edgeAlong.ts';
import { placeOn, type Ellipse } from './ellipse.ts';
import { lightAt, type GreyPicture } from './picture.ts';

const SECTORS = 8;
const PER_SECTOR = 24;
const FINE = 2;

/**
 * How blurred the rim's edge is where it is the most: the light of each eighth of the round, averaged along it so that noise weighs
 * little, and the width of its fall. A camera that moved blurs two of the eighths and not the others.
 * @returns one standard deviation in pixels; of the second worst eighth, as one may be dirty.
 */
export function edgeBlurPx(picture: GreyPicture, outline: Ellipse): number {
  const reachPx = Math.max(8, 0.07 * outline.minor);
  const n = 2 * Math.ceil(reachPx * FINE) + 1;
  const blurs: number[] = [];
  for (let sector = 0; sector < SECTORS; sector++) {
    const light = new Float64Array(n);
    for (let j = 0; j < PER_SECTOR; j++) {
      const [x, y, nx, ny] = placeOn(outline, (2 * Math.PI * (sector + j / PER_SECTOR)) / SECTORS);
      for (let k = 0; k < n; k++) {
        const by = (k - (n - 1) / 2) / FINE;
        light[k] = (light[k] as number) + lightAt(picture, x + by * nx, y + by * ny) / PER_SECTOR;
      }
    }
    blurs.push(fallWidth(light));
  }
  return blurs.sort((a, b) => b - a)[1] as number;
}

/** How wide the largest fall is, as a bell's standard deviation. */
function fallWidth(light: Float64Array): number {
  const steps = stepsIn(light, FINE, 2).filter(({ fall }) => fall > 0);
  const best = steps.sort((a, b) => b.fall - a.fall)[0];
  return best ? best.blurPx : Infinity;
}

/** Share of a square about the wheel that is as bright as a picture can be, and the light that half of it does not reach. */
export function exposureOf(
  { widthPx, heightPx, shades }: GreyPicture,
  { x, y, major }: Ellipse,
): { glareShare: number; middleShade: number } {
  const counts = new Uint32Array(256);
  let all = 0;
  const reach = 2 * major;
  for (let py = Math.max(0, Math.round(y - reach)); py < Math.min(heightPx, y + reach); py += 3)
    for (let px = Math.max(0, Math.round(x - reach)); px < Math.min(widthPx, x + reach); px += 3) {
      const shade = shades[py * widthPx + px] as number;
      counts[shade] = (counts[shade] as number) + 1;
      all++;
    }
  const bright = (counts[253] as number) + (counts[254] as number) + (counts[255] as number);
  let seen = 0;
  let middleShade = 0;
  while (middleShade < 255 && (seen += counts[middleShade] as number) < all / 2) middleShade++;
  return { glareShare: all === 0 ? 0 : bright / all, middleShade };
}
