import type { LightPicture } from './picture.ts';
import type { UprightPlane } from './wheelPlane.ts';

/** A step of light this large, as a logarithm, is as good as any. */
const STEP = 0.3;
/** Places looked at along a ring. */
const ROUND = 60;

/** A ring on which light falls outwards. */
export interface Ring {
  radius: number;
  /** How much of its round shows the fall. */
  share: number;
  /** How much more even it is outside than inside, as a logarithm, from -1 to 1: of a rim with spokes in even rubber it is positive. */
  evener: number;
  /** The same of its outer part inside: of a tyre, even up to its edge, it is negative. */
  tyreEvener: number;
}

/** A ring is looked at where it shows on so much of its round. */
const LEAST_RING = 0.25;
/** What is inside and outside a ring is looked at from so much of its radius to so much. */
const INSIDE = [0.55, 0.9] as const;
const TYRE_INSIDE = [0.8, 0.95] as const;
const OUTSIDE = [1.05, 1.2] as const;

/**
 * Rings of an upright plane about its middle on which light falls outwards, of radii from `least` to `most`. Light is a logarithm.
 * @param slackPx how far off a ring its fall of light may lie, where its middle and turn are known roughly only.
 */
export function ringsAbout(
  light: LightPicture,
  plane: UprightPlane,
  [least, most]: readonly [number, number],
  slackPx = 0,
): Ring[] {
  const about = lookedAbout(light, plane, [INSIDE[0] * least - 1, OUTSIDE[1] * most + 2], slackPx);
  const rings: Ring[] = [];
  const first = Math.max(1, Math.floor(least - about.least));
  for (let j = first; j < about.falls.length - 1 && about.least + j <= most; j++) {
    const share = about.falls[j] as number;
    if (
      share < LEAST_RING ||
      share < (about.falls[j - 1] as number) ||
      share < (about.falls[j + 1] as number)
    )
      continue;
    const radius = about.least + j;
    const inside = unrestIn(about, INSIDE[0] * radius, INSIDE[1] * radius);
    const tyreInside = unrestIn(about, TYRE_INSIDE[0] * radius, TYRE_INSIDE[1] * radius);
    const outside = unrestIn(about, OUTSIDE[0] * radius, OUTSIDE[1] * radius);
    rings.push({
      radius,
      share,
      evener: Math.max(-1, Math.min(1, inside - outside)),
      tyreEvener: Math.max(-1, Math.min(1, tyreInside - outside)),
    });
  }
  return rings;
}

/** A tyre is larger than its rim by this much, and hardly ever by more. */
export const TYRE_RADII = [1.2, 1.85] as const;
const LEAST_TYRE = 0.6;

/** Whether among rings about the same middle one is as the edge of this one's tyre would be: of something even inside, well round. */
export const hasTyre = (rim: Ring, rings: readonly Ring[]): boolean =>
  rings.some(
    ({ radius, share, tyreEvener }) =>
      share > LEAST_TYRE &&
      tyreEvener < 0 &&
      radius > TYRE_RADII[0] * rim.radius &&
      radius < TYRE_RADII[1] * rim.radius,
  );

/** What lies about the middle, by radius. */
interface About {
  least: number;
  /** How much of the round shows light falling outwards. */
  falls: Float64Array;
  /** Sums up to each radius of how much light changes along the round. */
  changes: Float64Array;
}

/** Noise alone changes it by so much. */
const LEAST_UNREST = 0.02;

/** How much light changes along the round between two radii, as a logarithm. */
function unrestIn({ least, changes }: About, from: number, to: number): number {
  const last = changes.length - 1;
  const a = Math.max(0, Math.min(last - 1, Math.round(from - least)));
  const b = Math.max(a + 1, Math.min(last, Math.round(to - least)));
  return Math.log(((changes[b] as number) - (changes[a] as number)) / (b - a) + LEAST_UNREST);
}

const turns = Array.from({ length: ROUND }, (_, k) => (2 * Math.PI * k) / ROUND);
const cosines = Float64Array.from(turns, Math.cos);
const sines = Float64Array.from(turns, Math.sin);

function lookedAbout(
  light: LightPicture,
  plane: UprightPlane,
  [least, most]: readonly [number, number],
  slackPx: number,
): About {
  const n = Math.floor(most - least) + 1;
  const falls = new Float64Array(n);
  const changes = new Float64Array(n + 5);
  const steep = new Float64Array(n);
  const row = new Float64Array(n + 4);
  let seen = lookOutwards(light, plane, ROUND - 1, least - 2, { row, seen: 0, changes, steep });
  for (let k = 0; k < ROUND; k++) {
    seen = lookOutwards(light, plane, k, least - 2, { row, seen, changes, steep });
    if (slackPx > 0) addSpread(steep, slackPx, falls);
    else for (let j = 0; j < n; j++) falls[j] = (falls[j] as number) + (steep[j] as number);
  }
  for (let j = 0; j < n; j++) falls[j] = (falls[j] as number) / ROUND;
  for (let j = 1; j < changes.length; j++)
    changes[j] = (changes[j] as number) / ROUND + (changes[j - 1] as number);
  return { least, falls, changes: changes.subarray(2, n + 3) };
}

/** Adds to each radius the most of those near it. */
function addSpread(steep: Float64Array, slackPx: number, falls: Float64Array): void {
  const n = steep.length;
  for (let j = 0; j < n; j++) {
    let most = 0;
    const last = j + slackPx < n ? j + slackPx : n - 1;
    for (let i = j > slackPx ? j - slackPx : 0; i <= last; i++)
      if ((steep[i] as number) > most) most = steep[i] as number;
    falls[j] = (falls[j] as number) + most;
  }
}

/** The light along the direction before, as far as it lay within the picture; and what is made of each direction. */
interface Outwards {
  row: Float64Array;
  seen: number;
  changes: Float64Array;
  steep: Float64Array;
}

/**
 * Looks along one direction of the plane, from a radius on: how much light changes from the direction before is added up, the first radius one
 * place on; how much it falls outwards is set, from 0 to 1.
 * @returns how many places lie within the picture.
 */
function lookOutwards(
  { widthPx, heightPx, light }: LightPicture,
  { focalPx, axis, middle, along, up }: UprightPlane,
  k: number,
  from: number,
  { row, seen, changes, steep }: Outwards,
): number {
  const cos = cosines[k] as number;
  const sin = sines[k] as number;
  const wayX = cos * along[0] + sin * up[0];
  const wayY = cos * along[1] + sin * up[1];
  const wayAway = (cos * along[2] + sin * up[2]) / focalPx;
  // Half a point on, so that cutting off the share rounds.
  const ax = axis[0] + 0.5;
  const ay = axis[1] + 0.5;
  const [mx, my] = middle;
  let [a, b, c, d] = [0, 0, 0, 0];
  let j = 0;
  for (; j < row.length; j++) {
    const radius = from + j;
    const near = 1 / (1 + radius * wayAway);
    const px = ax + (mx + radius * wayX) * near;
    const py = ay + (my + radius * wayY) * near;
    if (!(px >= 0 && py >= 0 && px < widthPx && py < heightPx)) break;
    const e = light[(py | 0) * widthPx + (px | 0)] as number;
    if (j < seen) changes[j + 1] = (changes[j + 1] as number) + Math.abs(e - (row[j] as number));
    if (j > 3) steep[j - 4] = Math.max(0, Math.min(1, (0.5 / STEP) * (a + b - d - e)));
    row[j] = e;
    [a, b, c, d] = [b, c, d, e];
  }
  steep.fill(0, Math.max(0, j - 4));
  return j;
}
