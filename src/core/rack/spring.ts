import { STEEL_G } from '../lab/section.ts';
import { blankSpring, type SpringDocument } from '../document/spring.ts';

/** A spring of the rack as somebody describes it. A null is "not known"; what follows from other figures is worked out. */
export interface RackValues {
  name: string;
  rateNPerMm: number | null;
  /** Measured: rows of [compression mm, force N]. Stands before the rate where it is progressive. */
  rows: [number, number][] | null;
  freeLengthMm: number | null;
  solidLengthMm: number | null;
  wireMm: number | null;
  /** All turns, ends and all. */
  coils: number | null;
  innerMm: number | null;
  /** Most it may carry. */
  maxN: number | null;
  tender: boolean;
  /** What a torsion spring has; null for a coil that is pressed. Its wire, turns and inner diameter stand where a coil's do. */
  torsion: RackTorsion | null;
  stock: number;
  note: string;
}

/** A torsion spring of a skid, or a pair of them. */
export interface RackTorsion {
  /** Torque of one spring per degree, N mm. */
  rateNMmPerDeg: number | null;
  /** From its centre to where its leg presses. */
  legMm: number | null;
  /** The hand it is wound to fit; a pair has both. */
  side: TorsionSide;
}

/** A torsion spring of which nothing is known. */
export const plainTorsion: RackTorsion = { rateNMmPerDeg: null, legMm: null, side: 'pair' };

export const torsionSides = ['left', 'right', 'pair'] as const;
type TorsionSide = (typeof torsionSides)[number];

export interface RackSpring extends RackValues {
  id: string;
  /** Grows with every change. */
  version: number;
}

/** Where a figure of a rack spring comes from. */
interface Worked {
  value: number;
  computed: boolean;
}

/** Turns at the ground ends that do not spring. */
const DEAD_TURNS = 2;

/** Solid length in mm: given, or all turns of wire on each other. */
export function solidOf({ solidLengthMm, wireMm, coils }: RackValues): Worked | null {
  if (solidLengthMm !== null) return { value: solidLengthMm, computed: false };
  return wireMm !== null && coils !== null ? { value: wireMm * coils, computed: true } : null;
}

/**
 * Rate in N/mm: given, the mean of a measured table over its rows, or that of a steel coil with closed and ground ends,
 * k = G d^4 / (8 D^3 n), D being the mean diameter and n all turns but two. Source: the textbook helical spring.
 */
export function rateOf(spring: RackValues): Worked | null {
  const { rateNPerMm, rows, wireMm, coils, innerMm } = spring;
  if (spring.torsion) return null;
  if (rateNPerMm !== null) return { value: rateNPerMm, computed: false };
  const [first, last] = [rows?.[0], rows?.at(-1)];
  if (first && last && last[0] > first[0])
    return { value: (last[1] - first[1]) / (last[0] - first[0]), computed: true };
  if (wireMm === null || coils === null || innerMm === null || coils <= DEAD_TURNS) return null;
  const mean = innerMm + wireMm;
  return { value: (STEEL_G * wireMm ** 4) / (8 * mean ** 3 * (coils - DEAD_TURNS)), computed: true };
}

/** MPa. Young's modulus of spring steel. */
const STEEL_E = 206_000;

/**
 * N mm per degree of one torsion spring: given, or that of a round steel wire, c = E d^4 / (3888 D n), D being the mean
 * diameter and n all turns. Null for a coil, or where neither is known. Source: the textbook helical torsion spring.
 */
export function torsionRateOf({ torsion, wireMm, coils, innerMm }: RackValues): Worked | null {
  if (!torsion) return null;
  if (torsion.rateNMmPerDeg !== null) return { value: torsion.rateNMmPerDeg, computed: false };
  if (wireMm === null || coils === null || innerMm === null || coils <= 0) return null;
  return { value: (STEEL_E * wireMm ** 4) / (3888 * (innerMm + wireMm) * coils), computed: true };
}

/** The spring as jobs and the bench take it; null where its rate is not known. */
export function springFromRack(spring: RackValues): SpringDocument | null {
  const rate = rateOf(spring);
  if (rate === null && spring.rows === null) return null;
  return {
    ...blankSpring,
    name: spring.name,
    kind: spring.rows ? 'table' : 'linear',
    rateNPerMm: spring.rows ? null : (rate?.value ?? null),
    rows: spring.rows,
    freeLengthMm: spring.freeLengthMm,
    solidLengthMm: solidOf(spring)?.value ?? null,
    tender: spring.tender,
  };
}

/** Springs side by side, as the one that does the same: they carry together, and close alike. */
export function asOne(spring: SpringDocument, count: number): SpringDocument {
  return {
    ...spring,
    rateNPerMm: spring.rateNPerMm === null ? null : count * spring.rateNPerMm,
    rows: spring.rows?.map(([mm, n]) => [mm, count * n]) ?? null,
  };
}

/** A spring of a job or the bench as the rack takes it. */
export function rackFromSpring(spring: SpringDocument): RackValues {
  return {
    ...blankRackValues,
    name: spring.name || 'spring',
    rateNPerMm: spring.kind === 'linear' ? spring.rateNPerMm : null,
    rows: spring.kind === 'table' ? spring.rows : null,
    freeLengthMm: spring.freeLengthMm,
    solidLengthMm: spring.solidLengthMm,
    tender: spring.tender,
  };
}

export const blankRackValues: RackValues = {
  name: '',
  rateNPerMm: null,
  rows: null,
  freeLengthMm: null,
  solidLengthMm: null,
  wireMm: null,
  coils: null,
  innerMm: null,
  maxN: null,
  tender: false,
  torsion: null,
  stock: 1,
  note: '',
};

/** What a spring's figures say against each other; null where nothing. */
export function contradiction(spring: RackValues): Contradiction | null {
  const solid = solidOf(spring);
  const { freeLengthMm } = spring;
  if (!solid || freeLengthMm === null || solid.value < freeLengthMm) return null;
  return { code: solid.computed ? 'coils-as-long' : 'solid-as-long', solidMm: solid.value, freeLengthMm };
}

/** Coils, or a solid length, that leave the spring no way to close. */
export interface Contradiction {
  code: 'coils-as-long' | 'solid-as-long';
  solidMm: number;
  freeLengthMm: number;
}
