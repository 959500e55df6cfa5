import type { Ellipse } from './ellipse.ts';
import { shrunk, type GreyPicture, type LightPicture } from './picture.ts';

/** The picture is first looked at this wide. */
const COARSE_PX = 512;
/** The rim's radius as a share of the picture's longer side. */
const LEAST_SHARE = 0.045;
const MOST_SHARE = 0.32;
/** A step of light this large, as a logarithm, is as good as any. */
const STEP = 0.3;
const ROUND = 96;
const CENTRES = 6;
/** So many of them are looked at more closely. */
const CLOSER = 2;
/** Width against height of the outline: seen from the side it is narrower, from above lower. */
const ASPECTS = [0.84, 0.92, 1, 1.08];

/** An outline that may be a rim's, and how much of it shows a fall of light outwards, 0 to 1. */
export interface Found {
  /** How likely it is a rim and not another ring: a clear one has about 1.2. */
  score: number;
  outline: Ellipse;
  share: number;
}

/**
 * Looks for the rim's outline: the centre to which most edges point, then the ring about it on which light falls outwards all
 * round, from bright metal to dark rubber. Light is taken as its logarithm, so that a shadow over the wheel changes nothing.
 * @returns outlines in pixels of the whole picture, the best first.
 */
export function findWheel(picture: GreyPicture): Found[] {
  const by = Math.max(1, Math.round(Math.max(picture.widthPx, picture.heightPx) / COARSE_PX));
  const small = softened(logarithm(shrunk(picture, by)));
  const longer = Math.max(small.widthPx, small.heightPx);
  const reach = [LEAST_SHARE * longer, MOST_SHARE * longer] as const;
  const tried = centres(small, reach)
    .map(([x, y]) => searched(small, { ...NO_RING, x, y }, [0], 0, [0.92, 1], reach))
    .sort((a, b) => b.score - a.score);
  return tried
    .slice(0, CLOSER)
    .map((ring) => searched(small, ring, [-1, 0, 1], 3, ASPECTS, reach))
    .map((ring) =>
      searched(
        small,
        ring,
        [-1, 0, 1],
        1,
        [-0.04, 0, 0.04].map((by) => ring.aspect + by),
        reach,
      ),
    )
    .filter(({ share }) => share > 0)
    .map((ring) => withTyre(small, ring, reach))
    .sort((a, b) => b.score - a.score)
    .map(({ x, y, radius, aspect, share, score }) => {
      const [across, down] = [radius * aspect * by, radius * by];
      const middle = { x: (x + 0.5) * by - 0.5, y: (y + 0.5) * by - 0.5 };
      return {
        share,
        score,
        outline:
          across > down
            ? { ...middle, major: across, minor: down, turn: 0 }
            : { ...middle, major: down, minor: across, turn: Math.PI / 2 },
      };
    });
}

function logarithm({ widthPx, heightPx, light }: LightPicture): LightPicture {
  const sorted = Float32Array.from(
    { length: 2000 },
    (_, i) => light[Math.floor((i * light.length) / 2000)] as number,
  ).sort();
  const floor = 0.03 * (sorted[1000] as number) + 0.0015;
  return { widthPx, heightPx, light: light.map((value) => Math.log(value + floor)) };
}

function softened({ widthPx, heightPx, light }: LightPicture): LightPicture {
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

/** Places to which edges point from their dark side to their bright one. */
function centres(
  { widthPx, heightPx, light }: LightPicture,
  [least, most]: readonly [number, number],
): [number, number][] {
  const votes = new Float32Array(widthPx * heightPx);
  for (let y = 2; y < heightPx - 2; y++)
    for (let x = 2; x < widthPx - 2; x++) {
      const i = y * widthPx + x;
      const gx = (light[i + 1] as number) - (light[i - 1] as number);
      const gy = (light[i + widthPx] as number) - (light[i - widthPx] as number);
      const steep = Math.sqrt(gx * gx + gy * gy);
      if (steep < 0.12) continue;
      const weight = Math.min(steep, 0.5);
      const [ux, uy] = [gx / steep, gy / steep];
      for (let r = least; r <= most; r++) {
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

interface Ring {
  x: number;
  y: number;
  radius: number;
  aspect: number;
  share: number;
  /** How much likelier a rim than another ring, by what lies inside and outside. */
  score: number;
  /** How much more even it is outside than inside, as a logarithm. */
  evener: number;
}

const NO_RING: Ring = { x: 0, y: 0, radius: 0, aspect: 1, share: 0, score: -1, evener: 0 };

/** The likeliest rim about a centre, with the centre and the outline's width let go. */
function searched(
  small: LightPicture,
  from: Ring,
  steps: readonly number[],
  apart: number,
  aspects: readonly number[],
  reach: readonly [number, number],
): Ring {
  let best = from;
  for (const aspect of aspects)
    for (const dx of steps)
      for (const dy of steps)
        for (const ring of ringsAbout(small, from.x + dx * apart, from.y + dy * apart, aspect, reach))
          if (ring.score > best.score) best = ring;
  return best;
}

/** A ring is looked at where it shows on so much of its round. */
const LEAST_RING = 0.35;
/** Rings about a centre on which light falls outwards. */
function ringsAbout(
  small: LightPicture,
  x: number,
  y: number,
  aspect: number,
  reach: readonly [number, number],
): Ring[] {
  const falls = fallsAbout(small, x, y, aspect, reach);
  const rings: Ring[] = [];
  for (let j = 1; j < falls.length - 1; j++) {
    const share = falls[j] as number;
    if (share < LEAST_RING || share < (falls[j - 1] as number) || share < (falls[j + 1] as number)) continue;
    const radius = reach[0] + j;
    const inside = unrestIn(small, x, y, aspect, 0.55 * radius, 0.9 * radius);
    const outside = unrestIn(small, x, y, aspect, 1.05 * radius, 1.2 * radius);
    // Spokes inside, even rubber outside.
    const evener = Math.max(-1, Math.min(1, inside - outside));
    const score = share + 0.3 * evener;
    rings.push({ x, y, radius, aspect, share, score, evener });
  }
  return rings;
}

/** A tyre is larger than its rim by this much, and hardly ever by more. */
const TYRE_RADII = [1.2, 1.85] as const;
const FAR_TYRE = 2.9;

/**
 * A ring with its tyre looked for: the edge of something even inside, well round. Where that is twice as large, the ring is a brake disc
 * within a dark rim; where it is as large as tyres are, the ring is all the likelier.
 */
function withTyre(small: LightPicture, ring: Ring, reach: readonly [number, number]): Ring {
  const { x, y, radius } = ring;
  const wider = [reach[0], 1.4 * reach[1]] as const;
  const tyres = ringsAbout(small, x, y, ring.aspect, wider).filter(
    ({ share, evener, radius: r }) =>
      share > 0.6 && evener < 0 && r > TYRE_RADII[0] * radius && r < FAR_TYRE * radius,
  );
  const tyre = tyres.sort((a, b) => b.share - a.share)[0];
  if (!tyre) return ring;
  return { ...ring, score: ring.score + (tyre.radius < TYRE_RADII[1] * radius ? 0.1 : -0.5) };
}

/** Noise alone changes it by so much. */
const LEAST_UNREST = 0.02;

/** How much light changes along the round between two radii, as a logarithm. */
function unrestIn(
  { widthPx, heightPx, light }: LightPicture,
  x: number,
  y: number,
  aspect: number,
  from: number,
  to: number,
): number {
  const steps = 4;
  let sum = 0;
  let before = NaN;
  let first = NaN;
  for (let k = 0; k < ROUND; k++) {
    let here = 0;
    for (let j = 0; j < steps; j++) {
      const r = from + ((j + 0.5) / steps) * (to - from);
      const px = Math.max(0, Math.min(widthPx - 1, Math.round(x + r * aspect * (cosines[k] as number))));
      const py = Math.max(0, Math.min(heightPx - 1, Math.round(y + r * (sines[k] as number))));
      here += light[py * widthPx + px] as number;
    }
    here /= steps;
    if (k === 0) first = here;
    else sum += Math.abs(here - before);
    before = here;
  }
  return Math.log((sum + Math.abs(first - before)) / ROUND + LEAST_UNREST);
}

const turns = Array.from({ length: ROUND }, (_, k) => (2 * Math.PI * k) / ROUND);
const cosines = Float64Array.from(turns, Math.cos);
const sines = Float64Array.from(turns, Math.sin);

/** For each radius how much of the round shows light falling outwards. */
function fallsAbout(
  { widthPx, heightPx, light }: LightPicture,
  x: number,
  y: number,
  aspect: number,
  [least, most]: readonly [number, number],
): Float64Array {
  const n = Math.floor(most - least) + 1;
  const falls = new Float64Array(n);
  for (let k = 0; k < ROUND; k++) {
    const [ux, uy] = [aspect * (cosines[k] as number), sines[k] as number];
    const at = (r: number): number => {
      const px = Math.round(x + r * ux);
      const py = Math.round(y + r * uy);
      return px < 0 || py < 0 || px >= widthPx || py >= heightPx ? NaN : (light[py * widthPx + px] as number);
    };
    let [a, b, c] = [at(least - 2), at(least - 1), at(least)];
    let d = at(least + 1);
    for (let j = 0; j < n; j++) {
      const e = at(least + j + 2);
      const fall = 0.5 * (a + b - d - e);
      if (fall > 0) falls[j] = (falls[j] as number) + (fall < STEP ? fall / STEP : 1) / ROUND;
      [a, b, c, d] = [b, c, d, e];
    }
  }
  return falls;
}
