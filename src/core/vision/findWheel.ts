import { centres } from './centres.ts';
import type { Ellipse } from './ellipse.ts';
import { inLogarithms } from './inLogarithms.ts';
import { halfAsLarge, shrunk, type GreyPicture, type LightPicture } from './picture.ts';
import { ringsAbout, hasTyre, TYRE_RADII, type Ring } from './ringsAbout.ts';
import type { Known } from './wheelModel.ts';
import { circleIn, lookerOf, planeAbout, type Looker } from './wheelPlane.ts';

/** The picture is first looked at so wide, then twice as large. */
const COARSE_PX = 512;
/** The rim's radius as a share of the picture's longer side. */
const LEAST_SHARE = 0.045;
const MOST_SHARE = 0.32;
/** So many of them are looked at more closely. */
const CLOSE_OF = 3;

/** An outline that may be a rim's, and how much of it shows a fall of light outwards, 0 to 1. */
export interface Found {
  /** How likely it is a rim and not another ring: a clear one has about 1.2. */
  score: number;
  outline: Ellipse;
  share: number;
}

/**
 * Looks for the rim's outline: the places to which most edges point, then the rings about them, seen as those of a wheel that stands
 * upright. The rim is the one within which there are spokes and about which there is even rubber, and at which light falls outwards,
 * from metal to rubber or to the groove between them. Light is taken as its logarithm, so that a shadow over the wheel changes nothing.
 * @param known the camera and how it was held.
 * @returns outlines in pixels of the whole picture, the best first.
 */
export function findWheel(picture: GreyPicture, known: Pick<Known, 'camera' | 'level'>): Found[] {
  const longerPx = Math.max(picture.widthPx, picture.heightPx);
  const by = Math.max(1, Math.round(longerPx / COARSE_PX / 2));
  const light = shrunk(picture, by);
  const coarse = lookedAt(light, known, by, 2);
  const fine = lookedAt(light, known, by, 1);
  const closer = likely(coarse).map((guess) => {
    const here = scaled(guess, 2);
    return climbed(fine, here.within ? withinTyre(climbed(fine, here, tyreWorth)) : here, rimWorth);
  });
  return ranked(closer)
    .sort((a, b) => b.worth - a.worth)
    .flatMap((guess) => foundIn(fine, guess));
}

/** A picture shrunk so much, in logarithms of light. */
interface Looked extends Looker {
  by: number;
  light: LightPicture;
  /** The least and the most radius of a rim. */
  reach: readonly [number, number];
}

function lookedAt(
  light: LightPicture,
  { camera, level }: Pick<Known, 'camera' | 'level'>,
  by: number,
  times: 1 | 2,
): Looked {
  const logs = inLogarithms(times === 1 ? light : halfAsLarge(light));
  const longer = Math.max(logs.widthPx, logs.heightPx);
  return {
    ...lookerOf(camera, level, by * times),
    by: by * times,
    light: logs,
    reach: [LEAST_SHARE * longer, MOST_SHARE * longer],
  };
}

/** A guess of where a ring is: its middle, its turn about the vertical, the radii it may have, and what speaks for it besides what is seen of it. */
interface Guess {
  x: number;
  y: number;
  yawDeg: number;
  radii: readonly [number, number];
  bonus: number;
  /** It is a tyre's: the rim is looked for within it. */
  within: boolean;
  /** Radius of the tyre that it was looked for within, where that is clear. */
  tyreRadius: number | null;
  ring: Ring | null;
  worth: number;
}

/** What speaks for a rim: light falls all round, spokes inside, even rubber outside. */
const rimWorth = ({ share, evener }: Ring): number => share + 0.3 * evener;
/** What speaks for a tyre: it is even inside. */
const tyreWorth = ({ share, tyreEvener }: Ring): number => share - 0.3 * tyreEvener;

/** So far off its ring an edge may lie in the coarse picture, where middle and turn are tried in large steps. */
const SLACK_PX = 1;

/** So far a ring's radius may be out, as a share, where it was seen in the coarse picture. */
const radiiAbout = (radius: number): [number, number] => [0.9 * radius, 1.1 * radius];

/** Guesses in the coarse picture: at the likeliest middles the likeliest rim, and the likeliest tyre, by which a dark rim is found. */
function likely(coarse: Looked): Guess[] {
  const middles = centres(coarse.light, coarse.reach)
    .map(([x, y]) => {
      const rings = ringsAbout(coarse.light, planeAbout(coarse, [x, y], 0), coarse.reach, SLACK_PX);
      return { x, y, worth: Math.max(0, ...rings.map(rimWorth), ...rings.map(tyreWorth)) };
    })
    .sort((a, b) => b.worth - a.worth)
    .slice(0, CLOSE_OF);
  const all = middles.flatMap((middle): Guess[] => {
    let [rim, tyre]: [Guess | null, Guess | null] = [null, null];
    for (const place of placesNear(middle)) {
      const plane = planeAbout(coarse, [place.x, place.y], place.yawDeg);
      const rings = ringsAbout(coarse.light, plane, [coarse.reach[0], 1.3 * coarse.reach[1]], SLACK_PX);
      for (const ring of rings) {
        const bonus = hasTyre(ring, rings) ? TYRE_BONUS : 0;
        const [asRim, asTyre] = [rimWorth(ring) + bonus, tyreWorth(ring)];
        const radii = radiiAbout(ring.radius);
        if (ring.radius < coarse.reach[1] && asRim > (rim?.worth ?? 0))
          rim = { ...place, ring, bonus, worth: asRim, radii, within: false, tyreRadius: null };
        if (ring.radius > 1.2 * coarse.reach[0] && asTyre > (tyre?.worth ?? 0))
          tyre = { ...place, ring, bonus: 0, worth: asTyre, radii, within: true, tyreRadius: null };
      }
    }
    return [rim, tyre].filter((one) => one !== null);
  });
  const different = all
    .sort((a, b) => b.worth - a.worth)
    .filter((one, k) => !all.slice(0, k).some((other) => isSame(one, other)));
  return [false, true].flatMap((within) =>
    different.filter((guess) => guess.within === within).slice(0, BEST_OF_A_KIND),
  );
}

/** So many rims and so many tyres are looked at in the fine picture. */
const BEST_OF_A_KIND = 2;

const isSame = (one: Guess, other: Guess): boolean =>
  one.within === other.within &&
  Math.hypot(one.x - other.x, one.y - other.y) < 5 &&
  Math.abs(radiusOf(one) / radiusOf(other) - 1) < 0.08;

function placesNear({ x, y }: { x: number; y: number }): { x: number; y: number; yawDeg: number }[] {
  const shifts = [-3, 0, 3];
  return [-14, 0, 14].flatMap((yawDeg) =>
    shifts.flatMap((dx) => shifts.map((dy) => ({ x: x + dx, y: y + dy, yawDeg }))),
  );
}

/** The guess that a rim lies within a tyre. */
function withinTyre(tyre: Guess): Guess {
  const radius = tyre.ring?.radius ?? 0;
  return {
    ...tyre,
    bonus: TYRE_BONUS,
    radii: [radius / TYRE_RADII[1], radius / TYRE_RADII[0]],
    tyreRadius: tyre.worth > CLEAR_TYRE ? radius : null,
  };
}

/** Ways on from a guess: its middle, in steps, and its turn. */
const WAYS = [[1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1]] as const; // oxfmt-ignore
const FIRST_STEP_PX = 4;
const YAW_A_PX = 3;

/** The guess moved as long as it becomes better, in steps that grow smaller. */
function climbed(looked: Looked, guess: Guess, worthOf: (ring: Ring) => number): Guess {
  let here = judged(looked, guess, worthOf);
  let back: (typeof WAYS)[number] | null = null;
  for (let step = FIRST_STEP_PX, turns = 0; step >= 0.7 && turns < MOST_TURNS; turns++) {
    let best = here;
    let way: number | null = null;
    for (const [i, [dx, dy, dYaw]] of WAYS.entries()) {
      if (WAYS[i] === back) continue;
      const next = judged(
        looked,
        {
          ...here,
          x: here.x + step * dx,
          y: here.y + step * dy,
          yawDeg: here.yawDeg + YAW_A_PX * step * dYaw,
        },
        worthOf,
      );
      if (next.worth > best.worth) [best, way] = [next, i];
    }
    if (way === null) step /= 2;
    back = way === null ? null : (WAYS[way ^ 1] ?? null);
    here = best;
  }
  return here;
}

const MOST_TURNS = 10;

function judged(looked: Looked, guess: Guess, worthOf: (ring: Ring) => number): Guess {
  let best: Guess = { ...guess, ring: null, worth: -1 };
  for (const ring of ringsAbout(
    looked.light,
    planeAbout(looked, [guess.x, guess.y], guess.yawDeg),
    guess.radii,
  )) {
    const worth = worthOf(ring) + guess.bonus;
    if (worth > best.worth) best = { ...guess, ring, worth };
  }
  return best;
}

/** A ring well within another that is a rim by itself is a brake disc behind its spokes; one that a rim lies well within is its tyre. */
const DISC_RADII = 0.72;
const DISC_OF_TYRE = 0.52;
const LEAST_RIM = 0.6;
/** A rim with its tyre about it is all the likelier. */
const TYRE_BONUS = 0.1;
const CLEAR_TYRE = 0.75;

function ranked(guesses: readonly Guess[]): Guess[] {
  const isTyre = (one: Guess): boolean =>
    about(one).some(
      ({ ring, worth, within }) =>
        ring &&
        within &&
        worth > LEAST_RIM &&
        ring.evener > 0.2 &&
        radiusOf(one) > TYRE_RADII[0] * ring.radius,
    );
  const isDisc = (one: Guess): boolean =>
    about(one).some(
      (other) =>
        radiusOf(one) < DISC_OF_TYRE * (other.tyreRadius ?? 0) ||
        (other.worth > LEAST_RIM &&
          (other.ring?.evener ?? 0) > 0.2 &&
          radiusOf(one) < DISC_RADII * radiusOf(other) &&
          !isTyre(other)),
    );
  const about = (one: Guess): Guess[] =>
    guesses.filter((other) => Math.hypot(one.x - other.x, one.y - other.y) < 0.3 * radiusOf(one));
  return guesses.map((one) => (isDisc(one) || isTyre(one) ? { ...one, worth: one.worth - 0.5 } : one));
}

const radiusOf = ({ ring }: Guess): number => ring?.radius ?? 0;

const scaled = (guess: Guess, by: number): Guess => ({
  ...guess,
  x: (guess.x + 0.5) * by - 0.5,
  y: (guess.y + 0.5) * by - 0.5,
  radii: [by * guess.radii[0], by * guess.radii[1]],
});

function foundIn(looked: Looked, { x, y, yawDeg, ring, worth }: Guess): Found[] {
  const seen = ring && circleIn(planeAbout(looked, [x, y], yawDeg), ring.radius);
  if (!seen) return [];
  const { by } = looked;
  return [
    {
      share: ring.share,
      score: worth,
      outline: {
        x: (seen.x + 0.5) * by - 0.5,
        y: (seen.y + 0.5) * by - 0.5,
        major: seen.major * by,
        minor: seen.minor * by,
        turn: seen.turn,
      },
    },
  ];
}
