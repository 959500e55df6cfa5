import type { CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import { tolerances } from '../tolerances.ts';
import type { Pictured } from './factKinds.ts';

/** mm, absolute. Half of the friction band of a machine of which no band was read. */
const USUAL_HALF_BAND_MM = 4;

/** How a machine was let go before it was read. */
export type LetGo = 'press' | 'lift' | 'rest' | 'band';

/** Readings of one corner in one state, mm as tape or band show them, by how it was let go. */
export type StateReadings = Partial<Record<LetGo, number[]>>;

/** What the sag bench read at one corner in one round. */
export interface CornerSag {
  /** Fully extended, free play lifted out. */
  extended: number[];
  /** By who is on it: 'alone' or a rider's key. */
  states: Record<string, StateReadings>;
  /** One standard deviation of the mean of what was read one way, mm, by state and way, where pictures are among it. */
  sdsMm?: Record<string, number>;
}

export type SagReadings = Partial<Record<CornerId, CornerSag>>;

interface SagFact {
  corner: CornerId;
  slot: string;
  mm: number;
  picture?: Pictured | undefined;
}

/**
 * Gathers readings by their slots: `extended-1`, `alone-press-2`, `r1-lift-1`. What is read by a gauge that was `zeroed` fully
 * extended is counted from there: it has gone down by what the gauge shows.
 */
export function gatherSag(
  facts: readonly SagFact[],
  zeroed: (corner: CornerId) => boolean = () => false,
): SagReadings {
  const all: SagReadings = {};
  for (const { corner, slot, mm: shown } of [...facts].sort((a, b) => a.slot.localeCompare(b.slot))) {
    const byGauge = zeroed(corner);
    const here = (all[corner] ??= { extended: byGauge ? [0] : [], states: {} });
    const mm = byGauge && !slot.includes('-band-') ? -shown : shown;
    if (byGauge && slot.startsWith('extended')) continue;
    const [who = '', how = ''] = slot.split('-');
    if (who === 'extended') here.extended.push(mm);
    else ((here.states[who] ??= {})[how as LetGo] ??= []).push(mm);
  }
  for (const [corner, here] of Object.entries(all)) {
    const sdsMm = picturedSds(facts.filter((one) => one.corner === corner));
    if (Object.keys(sdsMm).length > 0) here.sdsMm = sdsMm;
  }
  return all;
}

/** mm, by state and way: of the mean of readings of which some are off pictures. What pictures share no repeat takes out. */
function picturedSds(facts: readonly SagFact[]): Record<string, number> {
  const ways = new Map<string, SagFact[]>();
  for (const fact of facts) {
    const way = fact.slot.replace(/-\d+$/, '');
    ways.set(way, [...(ways.get(way) ?? []), fact]);
  }
  return Object.fromEntries(
    [...ways].flatMap(([way, read]): [string, number][] => {
      if (read.every(({ picture }) => !picture)) return [];
      const own = read.map(({ picture }) => picture?.ownSdMm ?? tolerances.tapeSdMm);
      const shared = Math.max(...read.map(({ picture }) => picture?.sharedSdMm ?? 0));
      return [[way, Math.hypot(Math.hypot(...own) / read.length, shared)]];
    }),
  );
}

/** How sure the mean of so many readings of a state is, one way, mm: by pictures as they say, else as a tape's are. */
export function sdsOf({ sdsMm }: CornerSag, who: string): (how: LetGo, count: number) => number {
  return (how, count) => sdsMm?.[`${who}-${how}`] ?? byTape(how, count);
}

const byTape = (_: LetGo, count: number): number => tolerances.tapeSdMm / Math.sqrt(count);

/** Whether a corner was read as it stands, with nobody on or with somebody: fully extended alone tells no sag. */
export function isReadStanding(sag: CornerSag | undefined): boolean {
  return isReadWith(sag, 'alone') || isReadWith(sag, 'ridden');
}

/** Whether a corner was read as it stands with nobody on, or with somebody. */
export function isReadWith(sag: CornerSag | undefined, who: 'alone' | 'ridden'): boolean {
  return Object.entries(sag?.states ?? {}).some(
    ([state, ways]) =>
      (state === 'alone') === (who === 'alone') &&
      Object.values(ways).some((readings) => readings.length > 0),
  );
}

/**
 * What a corner read fully extended, mm: the newest round that read it, and earlier readings that agree with those. One that
 * does not agree was read from another point. Empty where it never was.
 */
export function extendedReadings(rounds: readonly { sag: SagReadings }[], id: CornerId): number[] {
  const all = rounds.map(({ sag }) => sag[id]?.extended ?? []).filter((read) => read.length > 0);
  const newest = all.at(-1);
  if (!newest) return [];
  const agrees = (mm: number) => Math.abs(mm - meanOf(newest)) <= tolerances.repeatQuestionMm;
  return [...all.slice(0, -1).flat().filter(agrees), ...newest];
}

/** One reading out of several, as it would be without friction. */
export interface MidReading {
  /** As the tape has it; of a band, mm of shaft used. */
  mm: number;
  /** One standard deviation. */
  sdMm: number;
  /** Lift less press: what friction holds, mm; null where only one way was read. */
  bandMm: number | null;
  by: 'tape' | 'band';
}

/**
 * What readings of one state say. Between press-and-release (low) and lift-and-release (high) friction is out of it; with
 * one of them alone, half the band has to be guessed: `halfBand` from another state of the same corner, or else an
 * ordinary one. Null where nothing was read. `sdOf` is how sure the mean of so many readings one way is.
 */
export function midReading(
  { press = [], lift = [], rest = [], band = [] }: StateReadings,
  halfBand: { mm: number; seen: boolean },
  sdOf: (how: LetGo, count: number) => number = byTape,
): MidReading | null {
  // Seen in another state, the friction of this one is about as large; guessed, it may be anything.
  const doubt = (halfBand.seen ? 0.35 : 0.6) * halfBand.mm;
  if (press.length > 0 && lift.length > 0) {
    const [low, high] = [meanOf(press), meanOf(lift)];
    const bandMm = high - low;
    const sdMm = Math.hypot(sdOf('press', press.length) / 2, sdOf('lift', lift.length) / 2, 0.08 * bandMm);
    return { mm: (low + high) / 2, sdMm, bandMm, by: 'tape' };
  }
  if (press.length > 0)
    return {
      mm: meanOf(press) + halfBand.mm,
      sdMm: Math.hypot(sdOf('press', press.length), doubt),
      bandMm: null,
      by: 'tape',
    };
  if (lift.length > 0)
    return {
      mm: meanOf(lift) - halfBand.mm,
      sdMm: Math.hypot(sdOf('lift', lift.length), doubt),
      bandMm: null,
      by: 'tape',
    };
  // At rest somewhere within the band: evenly spread over it has 0.58 of its half.
  if (rest.length > 0)
    return {
      mm: meanOf(rest),
      sdMm: Math.hypot(sdOf('rest', rest.length), 0.58 * halfBand.mm),
      bandMm: null,
      by: 'tape',
    };
  if (band.length > 0)
    return {
      mm: meanOf(band),
      sdMm: Math.hypot(sdOf('band', band.length), 0.58 * halfBand.mm),
      bandMm: null,
      by: 'band',
    };
  return null;
}

/** Half of the friction band seen at a corner in any state, mm; an ordinary one where none was. */
export function halfBandOf({ states }: CornerSag): { mm: number; seen: boolean } {
  const seen = Object.values(states).flatMap(({ press, lift }) =>
    press?.length && lift?.length ? [Math.max((meanOf(lift) - meanOf(press)) / 2, 0)] : [],
  );
  return seen.length > 0 ? { mm: meanOf(seen), seen: true } : { mm: USUAL_HALF_BAND_MM, seen: false };
}

/** Furthest apart that repeats of one kind lie, mm; null where nothing was read twice. */
export function repeatSpread(readings: readonly number[]): number | null {
  return readings.length < 2 ? null : Math.max(...readings) - Math.min(...readings);
}
