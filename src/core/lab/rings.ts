import { Stack } from '../springs/stack.ts';
import { springFrom } from '../document/spring.ts';
import { FaultList } from '../faults.ts';
import { benchOf, caseTravel, type Bench, type LabSetup } from './setup.ts';
import { bottoming, travelAtCompression } from './curve.ts';

/** One crossover ring in every way of stating it. A null cannot be told from what is known. */
export interface RingPlaces {
  /** Slider to ring at ride height, mm along the damper; below zero it is that far past its ring already. */
  gapMm: number;
  /** Face of the seat to ring, mm. */
  fromSeatMm: number | null;
  /** Caliper figure of the ring from the datum that the seat is read from. */
  readsMm: number | null;
  /** Wheel travel from full droop where it takes over; null where it never does. */
  travelMm: number | null;
  /** The same as a share of the whole travel, and of the bump travel left at ride height. */
  ofTravel: number | null;
  ofBump: number | null;
}

/** Where ring `j` of a bench stands. */
export function ringPlaces(bench: Bench, j: number): RingPlaces {
  const { setup, model } = bench;
  const rest = caseTravel(bench);
  const limitMm = effectiveLimit(setup, j);
  const event = model.stack?.events.find(
    ({ kind, index }) => kind === 'ring' && index === setup.rings[j]?.after,
  );
  const travelMm = event ? travelAtCompression(model, event.compressionMm) : null;
  const fromSeatMm = freeBefore(setup, j) === null ? null : (freeBefore(setup, j) ?? 0) - limitMm;
  return {
    gapMm: limitMm - usedBefore(bench, j, rest),
    fromSeatMm,
    readsMm: fromSeatMm === null ? null : readingAt(setup, fromSeatMm),
    travelMm,
    ofTravel: travelMm === null ? null : travelMm / setup.travelMm,
    ofBump: travelMm === null ? null : (travelMm - rest) / (setup.travelMm - rest),
  };
}

/** A way of saying where a ring goes. Shares are of the bump travel left at ride height. */
export type RingWish =
  | { by: 'gap'; mm: number }
  | { by: 'seat'; mm: number }
  | { by: 'datum'; mm: number }
  | { by: 'bump'; share: number };

/** The setup with ring `j` where it is wished; unchanged where that cannot be worked out. */
export function placeRing(bench: Bench, j: number, wish: RingWish): LabSetup {
  const { setup } = bench;
  const limit = limitFor(bench, j, wish);
  if (limit === null) return setup;
  const rings = setup.rings.map((ring, k) =>
    k === j ? { ...ring, limitMm: limit - (ring.on === 'body' ? setup.preloadMm : 0) } : ring,
  );
  return { ...setup, rings };
}

/**
 * Compression of the springs before the ring at which it takes over. A ring comes exactly when they have closed by its
 * limit, so a wished travel is asked of the stack without the ring.
 */
function limitFor(bench: Bench, j: number, wish: RingWish): number | null {
  const { setup } = bench;
  switch (wish.by) {
    case 'gap':
      return usedBefore(bench, j, restWithout(bench, j)) + wish.mm;
    case 'bump': {
      const rest = restWithout(bench, j);
      return usedBefore(bench, j, rest + wish.share * (setup.travelMm - rest));
    }
    case 'seat': {
      const free = freeBefore(setup, j);
      return free === null ? null : free - wish.mm;
    }
    case 'datum': {
      const free = freeBefore(setup, j);
      const { collar } = setup;
      if (free === null || !collar) return null;
      return free - (collar.grows === 'with-seat' ? 1 : -1) * (wish.mm - collar.readsMm);
    }
  }
}

/** Where it would rest without ring `j`: as it does once the ring has a gap. */
function restWithout({ setup }: Bench, j: number): number {
  const without = benchOf({ ...setup, rings: setup.rings.filter((_, k) => k !== j) });
  return without.ok ? caseTravel(without.value) : NaN;
}

/** Caliper figure of a point so many mm beyond the face of the seat. */
function readingAt({ collar }: LabSetup, beyondMm: number): number | null {
  if (!collar) return null;
  return collar.readsMm + (collar.grows === 'with-seat' ? beyondMm : -beyondMm);
}

/** mm by which the springs before ring `j` close when it takes over. */
export function effectiveLimit({ rings, preloadMm }: LabSetup, j: number): number {
  const ring = rings[j];
  return (ring?.limitMm ?? 0) + (ring?.on === 'body' ? preloadMm : 0);
}

/** mm by which the springs before ring `j` are closed at a wheel travel, were the ring not there. */
function usedBefore({ setup, model }: Bench, j: number, travelMm: number): number {
  const springs = setup.springs.flatMap((one, i) => springFrom(`springs[${i}]`, one, new FaultList()) ?? []);
  const stack = new Stack({ springs, rings: setup.rings.filter((_, k) => k !== j) });
  stack.build(model.preloadMm);
  const x = model.springAt(travelMm) + model.preloadMm;
  let used = 0;
  for (let i = 0; i <= (setup.rings[j]?.after ?? -1); i++) used += stack.springCompression(i, x);
  return used;
}

function freeBefore({ springs, rings }: LabSetup, j: number): number | null {
  const before = springs.slice(0, (rings[j]?.after ?? -1) + 1);
  const lengths = before.map(({ freeLengthMm }) => freeLengthMm);
  return lengths.includes(null) ? null : lengths.reduce<number>((sum, mm) => sum + (mm ?? 0), 0);
}

/**
 * The seat moved by mm, positive towards the springs: preload and caliper figure go with it. A ring on the body stays
 * where it is on the body, one that follows goes along.
 */
export function moveSeat(setup: LabSetup, byMm: number): LabSetup {
  const { collar } = setup;
  return {
    ...setup,
    preloadMm: setup.preloadMm + byMm,
    collar: collar && { ...collar, readsMm: collar.readsMm + (collar.grows === 'with-seat' ? byMm : -byMm) },
  };
}

/** A ring made to follow the seat, or to stay on the body, where it stands. */
export function holdRing(setup: LabSetup, j: number, on: 'body' | 'seat'): LabSetup {
  const limitMm = effectiveLimit(setup, j) - (on === 'body' ? setup.preloadMm : 0);
  return { ...setup, rings: setup.rings.map((ring, k) => (k === j ? { ...ring, on, limitMm } : ring)) };
}

/** What a gap gives in comfort and takes in bottoming, or the other way round. */
export interface RingTrade {
  gapMm: number;
  /** Comfort: mean wheel rate from ride height over the first half of the bump travel left, N/mm. */
  softNPerMm: number;
  /** Against bottoming: J at the wheel from ride height to the end of travel. */
  bottomJ: number;
}

/** The trade at a ring's gap and at `stepMm` to either side; only gaps that are not past the ring. */
export function ringTrade(bench: Bench, j: number, stepMm = 10): RingTrade[] {
  const { gapMm } = ringPlaces(bench, j);
  return [gapMm - stepMm, gapMm, gapMm + stepMm].flatMap((gap): RingTrade[] => {
    const other = gap < 0 ? null : benchOf(placeRing(bench, j, { by: 'gap', mm: gap }));
    if (!other?.ok) return [];
    const { model, setup } = other.value;
    const rest = caseTravel(other.value);
    const half = (setup.travelMm - rest) / 2;
    const forceAt = (z: number) => {
      model.evaluate(Math.min(z, model.zMax));
      return model.forceN;
    };
    return [
      {
        gapMm: gap,
        softNPerMm: (forceAt(rest + half) - forceAt(rest)) / half,
        bottomJ: bottoming(other.value).fromRideJ,
      },
    ];
  });
}

export type RingWarning = 'touching' | 'bound-first' | 'never';

/** What is wrong with a ring where it stands: slider on it at rest, coils before it solid first, or never reached. */
export function ringWarnings(bench: Bench, j: number): RingWarning[] {
  const { setup, model } = bench;
  const after = setup.rings[j]?.after ?? -1;
  const { gapMm, travelMm } = ringPlaces(bench, j);
  const bound = (model.stack?.events ?? []).some(
    ({ kind, index, compressionMm }) =>
      kind === 'solid' &&
      index <= after &&
      !setup.springs[index]?.tender &&
      travelAtCompression(model, compressionMm) !== null,
  );
  // One that holds from full droop on has no place in the travel where it takes over.
  if (gapMm < TOUCHING_MM) return ['touching'];
  if (travelMm !== null) return [];
  return [bound ? 'bound-first' : 'never'];
}

/** mm. A slider nearer to its ring than this stands on it. */
export const TOUCHING_MM = 0.05;

/** Where both ends cross over in motion, as shares of the bump travel left there, and the rear share that evens them. */
export interface InMotion {
  front: number;
  rear: number;
  /** Share of bump at rest for the rear ring that would make both alike in motion. */
  rearFor: number;
}

/**
 * Both ends with the rear squatting by mm at the wheel: with s_f the front's share, the rear's ring is to come at
 * z = z0 + q + s_f (zMax - z0 - q). Null where either never takes over.
 */
export function inMotion(
  front: RingPlaces,
  rear: RingPlaces,
  rearBench: Bench,
  squatMm: number,
): InMotion | null {
  if (front.ofBump === null || rear.travelMm === null) return null;
  const rest = caseTravel(rearBench);
  const bump = rearBench.setup.travelMm - rest;
  const left = bump - squatMm;
  if (left <= 0) return null;
  return {
    front: front.ofBump,
    rear: (rear.travelMm - rest - squatMm) / left,
    rearFor: (squatMm + front.ofBump * left) / bump,
  };
}
