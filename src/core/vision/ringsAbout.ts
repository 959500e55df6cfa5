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
  const about = lookedAbout(light, plane, [least, most], slackPx);
  const rings: Ring[] = [];
  for (let j = 1; j < about.falls.length - 1; j++) {
    const share = about.falls[j] as number;
    if (
      share < LEAST_RING ||
      share < (about.falls[j - 1] as number) ||
      share < (about.falls[j + 1] as number)
    )
      continue;
    const radius = about.leastFall + j;
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
  /** The radius at which `changes` begins, and that at which `falls` does. */
  least: number;
  leastFall: number;
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

/** px. So far apart rings are looked at where none is looked for: it is the mean of what changes that counts. */
const SPARSE_PX = 3;

function lookedAbout(
  light: LightPicture,
  plane: UprightPlane,
  [least, most]: readonly [number, number],
  slackPx: number,
): About {
  const start = INSIDE[0] * least - 1;
  const inner = Math.max(0, Math.floor((least - 3 - start) / SPARSE_PX));
  // Two places beside each on which a ring may be, for its fall of light.
  const first = start + inner * SPARSE_PX;
  const close = Math.floor(most - first) + 4;
  const outer = Math.max(0, Math.ceil((OUTSIDE[1] * most + 2 - first - close) / SPARSE_PX));
  const falls = new Float64Array(close - 4);
  const steep = new Float64Array(close - 4);
  const within = zone(inner, SPARSE_PX, start);
  const near = zone(close, 1, first);
  const beyond = zone(outer, SPARSE_PX, first + close);
  const zones = [within, near, beyond];
  // The last direction first, for the first to be compared with.
  for (let k = -1; k < ROUND; k++) {
    const way = wayOf(plane, k < 0 ? ROUND - 1 : k);
    lookOutwards(light, way, within);
    lookOutwards(light, way, near);
    setSteep(near, steep);
    lookOutwards(light, way, beyond);
    if (k < 0) zones.forEach(({ changes }) => changes.fill(0));
    else if (slackPx > 0) addSpread(steep, slackPx, falls);
    else for (let j = 0; j < falls.length; j++) falls[j] = (falls[j] as number) + (steep[j] as number);
  }
  for (let j = 0; j < falls.length; j++) falls[j] = (falls[j] as number) / ROUND;
  return { least: start, leastFall: first + 2, falls, changes: summed(zones) };
}

/** Rings that are looked at one after another outwards. */
interface Zone {
  from: number;
  stepPx: number;
  /** The light along the direction before, as far as it lay within the picture. */
  row: Float64Array;
  seen: number;
  changes: Float64Array;
}

const zone = (rings: number, stepPx: number, from: number): Zone => ({
  from: from + (stepPx - 1) / 2,
  stepPx,
  row: new Float64Array(rings),
  seen: 0,
  changes: new Float64Array(rings),
});

/** Sums from the first pixel outwards, of what changes along the round, as a mean over it. */
function summed(zones: readonly Zone[]): Float64Array {
  const sums = new Float64Array(1 + zones.reduce((n, { row, stepPx }) => n + row.length * stepPx, 0));
  let at = 1;
  for (const { changes, stepPx } of zones)
    for (let j = 0; j < changes.length; j++)
      for (let step = 0; step < stepPx; step++, at++)
        sums[at] = (sums[at - 1] as number) + (changes[j] as number) / ROUND;
  return sums;
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

/** A direction in the plane, as it goes through the picture: where it begins and how it goes on with the radius. */
interface Way {
  axisX: number;
  axisY: number;
  middleX: number;
  middleY: number;
  wayX: number;
  wayY: number;
  wayAway: number;
}

function wayOf({ focalPx, axis, middle, along, up }: UprightPlane, k: number): Way {
  const cos = cosines[k] as number;
  const sin = sines[k] as number;
  return {
    // Half a point on, so that cutting off the share rounds.
    axisX: axis[0] + 0.5,
    axisY: axis[1] + 0.5,
    middleX: middle[0],
    middleY: middle[1],
    wayX: cos * along[0] + sin * up[0],
    wayY: cos * along[1] + sin * up[1],
    wayAway: (cos * along[2] + sin * up[2]) / focalPx,
  };
}

/** Looks along one direction: how much light changes from the direction before is added up. */
function lookOutwards(
  { widthPx, heightPx, light }: LightPicture,
  { axisX, axisY, middleX, middleY, wayX, wayY, wayAway }: Way,
  looked: Zone,
): void {
  const { row, changes, seen, from, stepPx } = looked;
  let j = 0;
  for (; j < row.length; j++) {
    const radius = from + j * stepPx;
    const near = 1 / (1 + radius * wayAway);
    const px = axisX + (middleX + radius * wayX) * near;
    const py = axisY + (middleY + radius * wayY) * near;
    if (!(px >= 0 && py >= 0 && px < widthPx && py < heightPx)) break;
    const e = light[(py | 0) * widthPx + (px | 0)] as number;
    if (j < seen) changes[j] = (changes[j] as number) + Math.abs(e - (row[j] as number));
    row[j] = e;
  }
  looked.seen = j;
}

/** How much light falls outwards at each ring but the two first and last that were looked at, from 0 to 1. */
function setSteep({ row, seen }: Zone, steep: Float64Array): void {
  for (let j = 4; j < seen; j++) {
    const fall =
      (row[j - 4] as number) + (row[j - 3] as number) - (row[j - 1] as number) - (row[j] as number);
    steep[j - 4] = Math.max(0, Math.min(1, (0.5 / STEP) * fall));
  }
  steep.fill(0, Math.max(0, seen - 4));
}
