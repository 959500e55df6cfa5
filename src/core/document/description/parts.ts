import { linkagePlaces, type LinkagePlace } from '../../geometry/linkage.ts';
import {
  absent,
  choice,
  flag,
  given,
  group,
  groupOrNone,
  listOrNone,
  number,
  pair,
  rows,
  rowsOrNone,
  text,
  variantsOrNone,
} from './field.ts';
import * as range from './ranges.ts';

const name = text(range.mostName);

/** One spring as a workshop describes it. A null is "not known". */
export const spring = group(
  {
    /** What is written on it, or what the workshop calls it. */
    name: text(range.mostName, { blank: '' }),
    kind: choice(['linear', 'table'], { blank: 'linear' }),
    /** For a linear coil. */
    rateNPerMm: given('N/mm', range.springRateNPerMm),
    /** For a measured one: rows of [compression mm, force N]. */
    rows: rowsOrNone({ x: { ...range.partMm, min: 0 }, y: range.springN, most: range.mostRows }),
    freeLengthMm: given('mm', range.partMm),
    /** Length with all coils touching. */
    solidLengthMm: given('mm', range.partMm),
    /** A tender or helper is meant to go solid early. */
    tender: flag({ blank: false }),
  },
  {
    order: {
      low: 'solidLengthMm',
      high: 'freeLengthMm',
      want: 'solid-below-free',
    },
  },
);

/** A crossover ring, by the slider it stops. */
export const ring = group({
  after: number('count', { min: 0, max: range.mostSprings - 2 }, { whole: true }),
  /** mm: springs 0..after are frozen once their compressions add up to this, at zero preload. */
  limitMm: number('mm', { min: -300, max: 1000 }),
  on: choice(['body', 'seat']),
  /** Gap wanted between slider and ring at ride height, mm along the damper; null leaves the ring as it is set. */
  gapMm: given('mm', range.gapMm, { since: 4 }),
});

/** Where the ratio is more than one number: levers, measured pairs or a linkage. */
export const ratioFrom = variantsOrNone(
  {
    constant: {
      ratio: number('damper per wheel', range.ratio),
      /** Share by which it grows from full droop to full bump. */
      rise: absent(number('factor', { min: -0.9, max: 3 })),
    },
    levers: {
      damperLeverMm: number('mm', range.partMm),
      wheelLeverMm: number('mm', range.partMm),
      /** 90 is square to the arm; most lean by as much as is assumed. */
      damperAngleDeg: given('deg', { min: 5, max: 175 }, { assumed: 75 }),
    },
    table: {
      rows: rows({ x: { min: 0, max: 2000 }, y: { min: 0, max: 2000 }, most: range.mostRows }),
    },
    linkage: {
      ...(Object.fromEntries(linkagePlaces.map((key) => [key, pair(range.placeMm)])) as Record<
        LinkagePlace,
        ReturnType<typeof pair>
      >),
      linkLongerMm: absent(number('mm', { min: -100, max: 100 })),
    },
  },
  { since: 2, fitted: true },
);

/** Gas charge of a damper. */
export const gas = groupOrNone(
  {
    gaugeBar: number('bar', range.gaugeBar),
    volumeCm3: number('cm3', range.chamberCm3),
    areaMm2: number('mm2', range.chamberCm3),
    exponent: number('factor', { min: 1, max: 1.7 }),
  },
  { since: 2, fitted: true },
);

/** Torsion springs with their cam, in place of coils. A null is "not known", and a usual one is taken. */
export const torsion = groupOrNone(
  {
    /** Torque of one spring per degree; unknown, it is what carries the machine where such machines stand. */
    rateNMmPerDeg: given('N mm/deg', range.torsionRate),
    count: choice([1, 2], { blank: 2 }),
    /** From the spring's centre to where its leg presses. */
    leverMm: given('mm', range.partMm, { assumed: 120 }),
    /** Degrees of twist at full droop in each cam position, growing. */
    camDegrees: listOrNone(number('deg', { min: 0, max: 360 }), {
      least: 1,
      most: range.mostCams,
      assumed: [20, 30, 40, 50],
    }),
    /** Whether it also stands half way between its numbers: every second of its positions is then a half. */
    halves: flag({ blank: false, since: 12 }),
    /** Degrees of twist at which it must not be wound further. */
    mostDegrees: given('deg', { min: 1, max: 720 }),
  },
  { since: 3, fitted: true },
);

/** Air in place of coils. A null is "not known", and a usual one is taken. */
export const air = groupOrNone(
  {
    gaugeBar: given('bar', range.gaugeBar, { assumed: 4 }),
    volumeCm3: given('cm3', range.chamberCm3, { assumed: 220 }),
    areaMm2: given('mm2', range.chamberCm3, { assumed: 1000 }),
    exponent: number('factor', { min: 1, max: 1.7 }, { blank: 1.1 }),
    /** Chamber behind a floating piston. */
    second: groupOrNone({
      gaugeBar: number('bar', range.gaugeBar),
      volumeCm3: number('cm3', range.chamberCm3),
    }),
  },
  { since: 3, fitted: true, next: 'as-now' },
);

/** A threaded lower mount, or tubes in their clamps, that sets height alone. */
export const mount = groupOrNone(
  {
    pitchMm: number('mm', range.pitchMm),
    /** Thread diameter: it must stay engaged over one and a half of it. Null where not known. */
    threadMm: given('mm', { min: 3, max: 60 }, { since: 4 }),
    /** Thread in the mount at the baseline, and the least it must keep where the maker says more than the rule. */
    engagedMm: given('mm', range.clearanceMm),
    leastMm: given('mm', range.clearanceMm),
    /** Thread in the mount when it is screwed in as far as it goes. */
    mostMm: given('mm', range.clearanceMm),
  },
  { since: 2, fitted: true, next: 'as-now' },
);

/** A distance that changes with height, as it is at the baseline. */
export const clearance = group({
  name,
  nowMm: number('mm', range.clearanceMm, { next: 'as-now' }),
  /** mm gained per mm that the body rises over this wheel; not known, what the fins of a joint's boot do as it bends. */
  perMm: given('factor', { min: -5, max: 5 }, { assumed: -0.03 }),
  leastMm: number('mm', range.clearanceMm),
  /** Height over this wheel at which `nowMm` was measured, as the sheet states it; null is the baseline's. */
  atMm: given('mm by tape', range.heightMm, { since: 6, next: 'blank' }),
  /** Rows of [mm the body has risen since it was measured, mm of distance]; stands before `perMm`. */
  rows: rowsOrNone({
    x: range.moveMm,
    y: range.clearanceMm,
    most: range.mostRows,
    growing: true,
    since: 6,
    next: 'as-now',
  }),
});

/** A shaft that hangs down outwards by an angle, with a boot or joint that takes only so much. */
export const boot = group({
  name,
  nowDeg: number('deg', range.jointDeg, { next: 'as-now' }),
  mostDeg: number('deg', { min: 1, max: 89 }),
  /** Joint to joint. */
  shaftMm: number('mm', range.partMm),
});

const sagLimits = {
  fromMm: number('mm by tape', range.sagMm),
  toMm: number('mm by tape', range.sagMm),
};
const sagOrder = { low: 'fromMm', high: 'toMm', want: 'least-sag-below-most' } as const;

/** Sag between which the owner will have it, mm of wheel travel from fully extended. */
export const sagWindow = groupOrNone(sagLimits, { order: sagOrder, since: 3 });
/** The same for the machine alone, without its rider. */
export const staticWindow = groupOrNone(sagLimits, { order: sagOrder, since: 5 });
