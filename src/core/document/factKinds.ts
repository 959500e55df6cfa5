import type { Axle, CornerId } from '../kinds/corners.ts';
import type { NewPartKind } from '../kinds/newParts.ts';
import type { ToldPlan } from './told.ts';

/**
 * What a number of each kind of fact is in, under its own name; null where a kind carries no number. A kind left out is
 * an error of the compiler, here and in `FactFields`.
 */
export const factUnits = {
  /** A tape reading, as the tape has it; or what a picture shows at the same place. */
  height: 'mm',
  collar: 'mm',
  /** Wheel travel used from full droop. */
  'travel-used': 'mm',
  /** Measuring the ratio: an axle's height or damper length, standing or hanging, by slot. */
  'ratio-length': 'mm',
  /** A damper from eye to eye, with the machine standing. */
  'damper-length': 'mm',
  /** A seat moved: towards the spring is positive. */
  adjustment: 'mm',
  /** An air spring pumped up; let down is negative. */
  inflated: 'bar',
  /** A lower mount screwed out. */
  mount: 'mm',
  /** A crossover ring, towards the springs; the slot is its slider. */
  ring: 'mm',
  /** Between slider and ring: as found, or as it was set, by slot; of a second ring `found-2` and `set-2`. */
  'ring-gap': 'mm',
  /** Between seat and ring, likewise. */
  'ring-seat': 'mm',
  /** Where a ring stands, from the edge that its collar is read from, likewise. */
  'ring-place': 'mm',
  /** The same from the second edge of its collar. */
  'ring-second': 'mm',
  /** How much longer a bar's undone link would have to be to go on, at the corner where it is undone. */
  link: 'mm',
  /** A wheel taken to an end of its travel by a jack, by slot bump or droop: what is left at the nearest thing. */
  cycled: 'mm',
  /** Between the tyres at their front or rear, by slot. */
  toe: 'mm',
  /** A reading of the sag bench, by slot: fully extended, or who is on it, how it was let go, and which repeat. */
  sag: 'mm',
  /** A clearance as measured before it goes out, by its place in the corner's list. */
  clearance: 'mm',
  /** A wheel on its pad; the slot is the repeat, with the load case or the swap it was read in. */
  pad: 'kg',
  /** What is in the tank. */
  fuel: 'litres',
  /** Camber of a wheel, top outwards positive. */
  camber: 'degrees',
  /** Of a tyre, or a damper's gas charge. */
  pressure: 'bar',
  /** Damper setting: the slot is compression or rebound. */
  clicks: 'clicks',
  /** Transfer blocks, limiter strap or a damper's mounting hole of a skid, by slot. */
  skid: 'position',
  /** When it is due back. */
  recheck: 'km',
  /** Driven since the round before. */
  driven: 'km',
  settled: null,
  /** Which load case a round was read in, where it is another than in the round before. */
  aboard: null,
  /** Where on the floor a round was read, where that is another place than in the round before. */
  floor: null,
  /** Something new bolted on at one axle, before this round was read; the slot is what, and where. */
  fitted: null,
  plan: null,
  /** A preparation or closing check: the slot is its id. */
  prep: null,
  check: null,
  /** What was felt on a ride; the slot tells notes apart. */
  note: null,
  /** A caution or a suspicion read and understood: the slot is its id. */
  acknowledged: null,
  locked: null,
} as const;

export type FactKind = keyof typeof factUnits;
type Units = typeof factUnits;
type Unit = Exclude<Units[FactKind], null>;

/** Kinds that carry a number. */
export type NumberedKind = { [K in FactKind]: Units[K] extends null ? never : K }[FactKind];

/** A number under the name of its unit. */
type Amount<K extends NumberedKind> = { [U in Units[K]]: number };

/** A movement, with what was asked of it. */
interface Moved {
  mm: number;
  askedMm: number | null;
}

/** One object in place of several: types compare much faster. */
type Flat<T> = { [K in keyof T]: T[K] };

/** A height that was read off a picture and not off a tape: how far it may be out, one standard deviation each. */
export interface Pictured {
  /** By what another picture would not share. */
  ownSdMm: number;
  /** By what all pictures of this wheel share: its diameter, the lens, how far the arch stands out. */
  sharedSdMm: number;
  /** The picture that is kept of it; null where none is. */
  pictureId: string | null;
}

/** What each kind carries beside its place. */
interface FactFields {
  height: Amount<'height'> & { picture?: Pictured | undefined };
  collar: Amount<'collar'>;
  'travel-used': Amount<'travel-used'>;
  'ratio-length': Amount<'ratio-length'>;
  'damper-length': Amount<'damper-length'>;
  adjustment: Moved;
  inflated: { bar: number; askedBar: number | null };
  mount: Moved;
  ring: Moved;
  'ring-gap': Amount<'ring-gap'>;
  'ring-seat': Amount<'ring-seat'>;
  'ring-place': Amount<'ring-place'>;
  'ring-second': Amount<'ring-second'>;
  link: Amount<'link'>;
  /** `nearest` is what is nearest there. */
  cycled: Amount<'cycled'> & { nearest: string | null };
  toe: Amount<'toe'>;
  sag: Amount<'sag'> & { picture?: Pictured | undefined };
  clearance: Amount<'clearance'>;
  pad: Amount<'pad'>;
  fuel: Amount<'fuel'>;
  camber: Amount<'camber'>;
  pressure: Amount<'pressure'>;
  clicks: Amount<'clicks'>;
  skid: Amount<'skid'>;
  /** `day` is an ISO day. */
  recheck: { km: number | null; day: string | null };
  driven: Amount<'driven'>;
  settled: { how: string };
  /** `loadCase` is its place among the owner's. */
  aboard: { loadCase: number };
  /** `place` is its name, `floorMm` how much the floor there lies above the shop's level under each wheel. */
  floor: { place: string; floorMm: Partial<Record<CornerId, number>> };
  /**
   * `words` is what it is called, as somebody wrote it; `kit` the id of the sheet it came with, `moreMm` how much further
   * towards the spring than there its seat was put.
   */
  fitted: { part: NewPartKind; axle: Axle; words: string; kit: string | null; moreMm: number | null };
  plan: { told: ToldPlan };
  prep: { how: 'done' | 'skipped' };
  check: { how: 'done' | 'skipped' };
  note: { words: string };
  acknowledged: object;
  locked: object;
}

/** What a fact is about. */
export interface FactPlace<K extends FactKind = FactKind> {
  kind: K;
  /** 0 is the baseline; adjustment r leads from round r-1 to round r. */
  round: number;
  corner: CornerId | null;
  /** Which repeat of a reading: '1', '2', ...; or what a kind says it is. */
  slot: string;
}

interface Aside {
  /** What somebody typed for it, with its unit ("14 3/4 in"); left out where it was not typed into a field. */
  typed?: string | undefined;
  /** Anything more that was said of it. */
  remark?: string | undefined;
}

/** Something that was seen or done: appended, never changed. Each kind has its own fields, in the units of their names. */
export type Fact<K extends FactKind = FactKind> = {
  [P in K]: Flat<FactPlace<P> & FactFields[P] & Aside>;
}[K];

/** The number of a fact in the unit of its kind; null where it has none. */
export function numberOf(fact: Fact): number | null {
  const unit = factUnits[fact.kind];
  return unit === null ? null : ((fact as unknown as Partial<Record<Unit, number | null>>)[unit] ?? null);
}

/** Whether a kind carries a number. */
export function isNumbered(kind: FactKind): kind is NumberedKind {
  return factUnits[kind] !== null;
}

/** Own fields that may be empty, by kind: a fact always has them, a store leaves them out. */
export const emptyFields: Partial<Record<FactKind, Record<string, null>>> = {
  adjustment: { askedMm: null },
  inflated: { askedBar: null },
  mount: { askedMm: null },
  ring: { askedMm: null },
  recheck: { km: null, day: null },
  fitted: { kit: null, moreMm: null },
  cycled: { nearest: null },
};

/** A fact that carries a number, in the unit of its kind, and nothing else yet. */
export function numbered<K extends NumberedKind>(place: FactPlace<K>, value: number): Fact<K> {
  return { ...place, ...emptyFields[place.kind], [factUnits[place.kind]]: value } as unknown as Fact<K>;
}
