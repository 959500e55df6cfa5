import { effectiveLimit } from './rings.ts';
import type { Bench } from './setup.ts';

/** One spring in the section, from its end at the seat to its end at the perch. */
export interface SectionSpring {
  name: string;
  fromMm: number;
  toMm: number;
  /** 0 free, 1 coil-bound; null where its solid length is not known. */
  closed: number | null;
  tender: boolean;
  rateNPerMm: number | null;
  solidMm: number | null;
  freeMm: number;
  /** Whether its free length was not given: it is drawn at one that would serve. */
  assumed: boolean;
}

/**
 * A damper and its springs cut open at one wheel travel. Places in mm along the damper, growing from body to wheel; zero
 * is the perch at full droop, so that the body stands still. What lies outside the springs (eyes, body) is to taste.
 */
export interface Section {
  springs: SectionSpring[];
  /** Face of the seat. */
  seatMm: number;
  /** Perch that the last spring stands on. */
  perchMm: number;
  rings: { after: number; atMm: number; gapMm: number; on: 'body' | 'seat' }[];
  /** Bump stop standing on the shaft, and the body end that meets it. */
  stop: { topMm: number; gapMm: number } | null;
  bodyEndMm: number;
  /** Farthest that anything reaches in the whole travel: the drawing keeps its scale. */
  fromMm: number;
  toMm: number;
}

/** Solid length drawn where none is given, as a share of the free length. */
const TYPICAL_SOLID = 0.35;

/** Where everything in a section lies at a wheel travel in mm. */
export function sectionAt({ setup, model }: Bench, travelMm: number): Section {
  const { stack } = model;
  const strokeMm = model.springAt(setup.travelMm);
  const x = model.springAt(travelMm) + model.preloadMm;
  const frees = setup.springs.map(
    ({ freeLengthMm }) => freeLengthMm ?? assumedFree(setup.springs.length, strokeMm),
  );
  const room = frees.reduce((sum, mm) => sum + mm, 0) - model.preloadMm;
  const perchMm = -model.springAt(travelMm);
  let at = perchMm;
  const springs: SectionSpring[] = [];
  for (let i = setup.springs.length - 1; i >= 0; i--) {
    const spring = setup.springs[i];
    const free = frees[i] ?? 0;
    const shut = stack?.springCompression(i, x) ?? 0;
    const way = typeof spring?.solidLengthMm === 'number' ? free - spring.solidLengthMm : null;
    springs.unshift({
      name: spring?.name || `spring ${i + 1}`,
      fromMm: at - (free - shut),
      toMm: at,
      closed: way === null ? null : Math.min(shut / way, 1),
      tender: spring?.tender ?? false,
      rateNPerMm: spring?.rateNPerMm ?? null,
      solidMm: spring?.solidLengthMm ?? null,
      freeMm: free,
      assumed: typeof spring?.freeLengthMm !== 'number',
    });
    at -= free - shut;
  }
  const stopHeight = setup.stop ? (setup.stop.rows.at(-1)?.[0] ?? 0) * 1.2 : 0;
  const touchMm = setup.stop ? model.damperAt(setup.travelMm - setup.stop.leftMm) : strokeMm;
  return {
    springs,
    seatMm: -room,
    perchMm,
    rings: setup.rings.map(({ after, on }, j) => {
      const free = frees.slice(0, after + 1).reduce((sum, mm) => sum + mm, 0);
      const ringMm = free - effectiveLimit(setup, j) - room;
      return { after, on, atMm: ringMm, gapMm: (springs[after]?.toMm ?? 0) - ringMm };
    }),
    stop: setup.stop && {
      topMm: perchMm - stopHeight,
      gapMm: touchMm - model.damperAt(travelMm),
    },
    bodyEndMm: -stopHeight - touchMm,
    fromMm: -frees.reduce((sum, mm) => sum + mm, 0) - 75,
    toMm: 46,
  };
}

/** A free length that would serve a stroke: enough to close by it. */
function assumedFree(count: number, strokeMm: number): number {
  return ((strokeMm * 1.35) / (1 - TYPICAL_SOLID) + 30) / count;
}

/** A coil as it would have to be wound: wire and turns, for the look of it. */
export interface Winding {
  wireMm: number;
  turns: number;
}

/**
 * Wire and turns of a round-wire steel coil with this rate and solid length on a mean diameter D:
 * k = G d^4 / (8 D^3 n), solid = n d, so d^5 = 8 D^3 k solid / G. Source: the textbook formula of the helical spring.
 */
export function windingFor(rateNPerMm: number, solidMm: number, meanMm: number): Winding {
  const wireMm = ((8 * meanMm ** 3 * rateNPerMm * solidMm) / STEEL_G) ** 0.2;
  return { wireMm, turns: solidMm / wireMm };
}

/** Shear modulus of spring steel, N/mm2. */
export const STEEL_G = 79300;

/** A section with its places rounded to a step in mm: what the eye cannot see apart is the same section. */
export function roundedSection(section: Section, stepMm: number): Section {
  const at = (mm: number) => Math.round(mm / stepMm) * stepMm;
  const { springs, rings, stop } = section;
  return {
    springs: springs.map((spring) => ({ ...spring, fromMm: at(spring.fromMm), toMm: at(spring.toMm) })),
    rings: rings.map((ring) => ({ ...ring, atMm: at(ring.atMm), gapMm: at(ring.gapMm) })),
    stop: stop && { topMm: at(stop.topMm), gapMm: at(stop.gapMm) },
    seatMm: at(section.seatMm),
    perchMm: at(section.perchMm),
    bodyEndMm: at(section.bodyEndMm),
    fromMm: at(section.fromMm),
    toMm: at(section.toMm),
  };
}
