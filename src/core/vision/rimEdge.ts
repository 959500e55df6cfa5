import { seededUniform } from '../numerics/random.ts';
import { stepsAlong } from './edgeAlong.ts';
import { fitEllipse, placeOn, type Ellipse } from './ellipse.ts';
import type { GreyPicture } from './picture.ts';

/** The rim's edge in the picture, found below a pixel. */
export interface TracedRim {
  outline: Ellipse;
  xs: Float64Array;
  ys: Float64Array;
  /** How far a single place may be out, pixels. */
  sdPx: number;
  /** Blur of the edge, one standard deviation, pixels. */
  blurPx: number;
  /** Share of the round on which the edge was found. */
  share: number;
}

const ROUND = 180;
/** Noise falls by less. */
const LEAST_WORTH = 0.1;
/** Outlines tried through five places each. */
const TRIES = 120;

/**
 * Follows the rim's edge: along normals of an outline that is near it, every fall of light from metal to rubber; then the ellipse
 * on which the most of the round agrees (Fischler and Bolles, "Random sample consensus", 1981), then the one through those places
 * with what lies off it weighed less (Tukey), closer each time. Null where no edge goes round.
 * @param from who says where the rim is: what somebody pointed at is nearer to it, and other rings near by count less.
 */
export function traceRim(
  picture: GreyPicture,
  outline: Ellipse,
  from: 'found' | 'pointed' = 'found',
): TracedRim | null {
  const reachShare = REACH[from];
  const all = fallsAbout(
    picture,
    outline,
    Math.max(reachShare * outline.minor, 6),
    Math.max(1.2, outline.minor / 120),
  );
  const first = from === 'found' ? all : nearest(all, outline);
  let now = agreedOn(first, outline);
  if (!now) return null;
  let traced: TracedRim | null = null;
  let soft = Math.max(1.2, now.minor / 150);
  for (const reach of [0.03, 0.015, 0.015]) {
    const falls = fallsAbout(picture, now, Math.max(reach * now.minor, 4), soft);
    const fitted = fitThrough(falls, now);
    if (!fitted || !isNear(fitted.outline, outline)) return null;
    now = fitted.outline;
    const blurs = Float64Array.from(fitted.kept, ({ blurPx }) => blurPx).sort();
    const blurPx = blurs[blurs.length >> 1] ?? 0;
    soft = Math.max(1, Math.min(0.9 * blurPx, 0.02 * now.minor));
    traced = {
      outline: now,
      xs: Float64Array.from(fitted.kept, ({ x }) => x),
      ys: Float64Array.from(fitted.kept, ({ y }) => y),
      sdPx: Math.max(fitted.sdPx, 0.1),
      blurPx,
      share: fitted.kept.length / ROUND,
    };
  }
  return traced;
}

function isNear(next: Ellipse, first: Ellipse): boolean {
  return (
    Math.hypot(next.x - first.x, next.y - first.y) < 0.25 * first.major &&
    next.major < 1.3 * first.major &&
    next.minor > 0.6 * first.minor
  );
}

/** How far from an outline the edge is looked for at first, as a share of its size. */
const REACH = { found: 0.085, pointed: 0.045 } as const;
/** Three taps make a circle of what is seen a little flat: so far off it the rim may be. */
const POINTED_SD_SHARE = 0.015;

/** Falls that lie off an outline count for less. */
function nearest(falls: readonly Fall[][], outline: Ellipse): Fall[][] {
  const sdPx = POINTED_SD_SHARE * outline.minor;
  return falls.map((along) =>
    along.map((one) => ({
      ...one,
      worth: one.worth * Math.exp(-0.5 * (apartFrom(outline, one.x, one.y) / sdPx) ** 2),
    })),
  );
}

/** A fall of light found along a normal. */
interface Fall {
  x: number;
  y: number;
  blurPx: number;
  /** How much it stands out, from 0 to 1, by its share of the light about it, so that shadow and shine weigh nothing. */
  worth: number;
}

/** All falls of light along each normal. */
function fallsAbout(picture: GreyPicture, outline: Ellipse, reachPx: number, soft: number): Fall[][] {
  return Array.from({ length: ROUND }, (_, k) => {
    const place = placeOn(outline, (2 * Math.PI * k) / ROUND);
    const [x, y, nx, ny] = place;
    if (x < 4 || y < 4 || x > picture.widthPx - 5 || y > picture.heightPx - 5) return [];
    const steps = stepsAlong(picture, place, reachPx, soft).filter(({ fall }) => fall > 0);
    const all = steps.map(({ atPx, fall, lightBefore, blurPx }) => ({
      x: x + atPx * nx,
      y: y + atPx * ny,
      blurPx,
      worth: Math.min(1, (2 * fall) / (lightBefore + 0.004)),
    }));
    return all.filter(({ worth }) => worth > LEAST_WORTH);
  });
}

/** The outline on which falls along the most normals agree; null where it is less than a third of the round. */
function agreedOn(falls: readonly Fall[][], near: Ellipse): Ellipse | null {
  const uniform = seededUniform(17);
  const strong = falls.map((along) =>
    along.reduce<Fall | null>((best, one) => (best && best.worth >= one.worth ? best : one), null),
  );
  const tolerance = Math.max(0.006 * near.minor, 1);
  let best: Ellipse | null = null;
  let most = ROUND / 6;
  for (let turn = 0; turn < TRIES; turn++) {
    const start = uniform();
    const sample = [0, 1, 2, 3, 4, 5].flatMap((k) => {
      const one = strong[Math.floor(((start + k / 6 + 0.1 * uniform()) % 1) * ROUND)];
      return one ? [one] : [];
    });
    const outline = fitEllipse(
      sample.map(({ x }) => x),
      sample.map(({ y }) => y),
    );
    if (!outline || !isNear(outline, near)) continue;
    let worth = 0;
    for (const along of falls) {
      let here = 0;
      for (const one of along) {
        const off = apartFrom(outline, one.x, one.y) / tolerance;
        if (Math.abs(off) < 2) here = Math.max(here, one.worth * (1 - 0.25 * off * off));
      }
      worth += here;
    }
    if (worth > most) {
      most = worth;
      best = outline;
    }
  }
  return best;
}

/** The ellipse through the nearest fall along each normal, with those that lie off it weighed less; which were kept, and how they scatter. */
function fitThrough(
  falls: readonly Fall[][],
  near: Ellipse,
): { outline: Ellipse; kept: Fall[]; sdPx: number } | null {
  let outline = near;
  let kept: Fall[] = [];
  let sdPx = 0.004 * near.minor;
  for (let turn = 0; turn < 6; turn++) {
    const chosen: { fall: Fall; off: number }[] = [];
    for (const along of falls) {
      let best: { fall: Fall; off: number } | null = null;
      let worth = 0;
      for (const fall of along) {
        const off = apartFrom(outline, fall.x, fall.y);
        const here = fall.worth * Math.exp(-0.5 * (off / (0.006 * near.minor + 1)) ** 2);
        if (here > worth) [worth, best] = [here, { fall, off }];
      }
      if (best) chosen.push(best);
    }
    if (chosen.length < ROUND / 4) return null;
    const sizes = chosen.map(({ off }) => Math.abs(off)).sort((a, b) => a - b);
    sdPx = 1.4826 * (sizes[sizes.length >> 1] as number);
    const unit = 4 * Math.max(sdPx, 0.15);
    const next = fitEllipse(
      chosen.map(({ fall }) => fall.x),
      chosen.map(({ fall }) => fall.y),
      chosen.map(({ off }) => (Math.abs(off) < unit ? (1 - (off / unit) ** 2) ** 2 : 0)),
    );
    if (!next) return null;
    outline = next;
    kept = chosen.filter(({ off }) => Math.abs(off) < 0.75 * unit).map(({ fall }) => fall);
  }
  return kept.length >= ROUND / 4 ? { outline, kept, sdPx } : null;
}

/** How far a place lies outside an ellipse, to first order. */
function apartFrom({ x, y, major, minor, turn }: Ellipse, px: number, py: number): number {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const along = cos * (px - x) + sin * (py - y);
  const across = -sin * (px - x) + cos * (py - y);
  const value = Math.hypot(along / major, across / minor);
  const slope = Math.hypot(along / (major * major), across / (minor * minor)) / Math.max(value, 1e-9);
  return (value - 1) / Math.max(slope, 1e-12);
}
