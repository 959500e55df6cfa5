import { lightAt, shrunk, type GreyPicture, type LightPicture } from './picture.ts';

/** A dark disc on a light ground: its middle in the picture, and how large it is. */
export interface DarkDisc {
  x: number;
  y: number;
  areaPx: number;
}

const COARSE_PX = 1024;
const LEAST_AREA = 12;
const MOST_AREA = 6000;
const MOST_DISCS = 60;

/** Dark discs that stand alone on a light ground, the largest first. */
export function darkDiscs(picture: GreyPicture): DarkDisc[] {
  const by = Math.max(1, Math.round(Math.max(picture.widthPx, picture.heightPx) / COARSE_PX));
  const small = shrunk(picture, by);
  return blobs(small, darkness(small))
    .filter(isDisc)
    .filter(({ x, y, radius }) => standsOut(small, x, y, radius))
    .sort((a, b) => b.area - a.area)
    .slice(0, MOST_DISCS)
    .map(({ x, y, radius, area }) => ({
      ...middleOf(picture, (x + 0.5) * by - 0.5, (y + 0.5) * by - 0.5, radius * by),
      areaPx: area * by * by,
    }));
}

/** 1 where a place is much darker than what lies about it. */
function darkness({ widthPx, heightPx, light }: LightPicture): Uint8Array {
  const wide = widthPx + 1;
  const sums = new Float64Array(wide * (heightPx + 1));
  for (let y = 0; y < heightPx; y++) {
    let row = 0;
    for (let x = 0; x < widthPx; x++) {
      row += light[y * widthPx + x] as number;
      sums[(y + 1) * wide + x + 1] = (sums[y * wide + x + 1] as number) + row;
    }
  }
  const reach = Math.round(widthPx / 24);
  const dark = new Uint8Array(light.length);
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      const [x0, x1] = [Math.max(0, x - reach), Math.min(widthPx, x + reach + 1)];
      const [y0, y1] = [Math.max(0, y - reach), Math.min(heightPx, y + reach + 1)];
      const sum =
        (sums[y1 * wide + x1] as number) -
        (sums[y0 * wide + x1] as number) -
        (sums[y1 * wide + x0] as number) +
        (sums[y0 * wide + x0] as number);
      const mean = sum / ((x1 - x0) * (y1 - y0));
      if ((light[y * widthPx + x] as number) < 0.5 * mean) dark[y * widthPx + x] = 1;
    }
  return dark;
}

interface Blob {
  x: number;
  y: number;
  area: number;
  /** Of a disc of that area. */
  radius: number;
  /** Area of the ellipse with its second moments, as a share of its own. */
  fullness: number;
  narrow: number;
}

function blobs({ widthPx, heightPx }: LightPicture, dark: Uint8Array): Blob[] {
  const seen = new Uint8Array(dark.length);
  const stack = new Int32Array(dark.length);
  const found: Blob[] = [];
  for (let start = 0; start < dark.length; start++) {
    if (dark[start] === 0 || seen[start] === 1) continue;
    let top = 0;
    stack[top++] = start;
    seen[start] = 1;
    let [area, sx, sy, sxx, sxy, syy] = [0, 0, 0, 0, 0, 0];
    let touches = false;
    while (top > 0) {
      const at = stack[--top] as number;
      const [x, y] = [at % widthPx, Math.floor(at / widthPx)];
      area++;
      sx += x;
      sy += y;
      sxx += x * x;
      sxy += x * y;
      syy += y * y;
      if (x === 0 || y === 0 || x === widthPx - 1 || y === heightPx - 1) touches = true;
      for (const next of [at - 1, at + 1, at - widthPx, at + widthPx])
        if (next >= 0 && next < dark.length && dark[next] === 1 && seen[next] === 0) {
          seen[next] = 1;
          stack[top++] = next;
        }
    }
    if (touches || area < LEAST_AREA || area > MOST_AREA) continue;
    const [x, y] = [sx / area, sy / area];
    const [vx, vy, c] = [sxx / area - x * x, syy / area - y * y, sxy / area - x * y];
    const det = Math.max(vx * vy - c * c, 1e-9);
    const trace = vx + vy;
    const root = Math.sqrt(Math.max(trace * trace - 4 * det, 0));
    found.push({
      x,
      y,
      area,
      radius: Math.sqrt(area / Math.PI),
      fullness: (4 * Math.PI * Math.sqrt(det)) / area,
      narrow: Math.sqrt((trace - root) / (trace + root)),
    });
  }
  return found;
}

const isDisc = ({ fullness, narrow }: Blob): boolean => fullness > 0.85 && fullness < 1.18 && narrow > 0.55;

/** So many of 16 places round a disc may lie beside the picture. */
const MOST_BESIDE = 5;

/** Whether light stands all round it, as far as that is in the picture. */
function standsOut(
  { widthPx, heightPx, light }: LightPicture,
  x: number,
  y: number,
  radius: number,
): boolean {
  const middle = light[Math.round(y) * widthPx + Math.round(x)] as number;
  let beside = 0;
  for (let k = 0; k < 16; k++) {
    const px = Math.round(x + 1.45 * radius * Math.cos((k * Math.PI) / 8));
    const py = Math.round(y + 1.45 * radius * Math.sin((k * Math.PI) / 8));
    if (px < 0 || py < 0 || px >= widthPx || py >= heightPx) beside++;
    else if ((light[py * widthPx + px] as number) < 2.2 * middle + 0.01) return false;
  }
  return beside <= MOST_BESIDE;
}

/** The middle of a disc, below a pixel: each place counts as much as it is dark. */
function middleOf(picture: GreyPicture, x: number, y: number, radius: number): { x: number; y: number } {
  let [mx, my] = [x, y];
  for (let turn = 0; turn < 2; turn++) {
    const reach = Math.ceil(1.35 * radius + 2);
    let ground = 0;
    for (let k = 0; k < 32; k++)
      ground += lightAt(picture, mx + reach * Math.cos(k / 5.1), my + reach * Math.sin(k / 5.1)) / 32;
    let [sum, sx, sy] = [0, 0, 0];
    for (let dy = -reach; dy <= reach; dy++)
      for (let dx = -reach; dx <= reach; dx++) {
        if (dx * dx + dy * dy > reach * reach) continue;
        const [px, py] = [Math.round(mx) + dx, Math.round(my) + dy];
        const dark = Math.max(0, 0.8 * ground - lightAt(picture, px, py));
        sum += dark;
        sx += dark * px;
        sy += dark * py;
      }
    if (sum > 0) [mx, my] = [sx / sum, sy / sum];
  }
  return { x: mx, y: my };
}
