import { allCorners, type Axle, type CornerId } from '../kinds/corners.ts';
import { newParts } from '../kinds/newParts.ts';
import { ringFact, ringWays, type RingWay } from '../kinds/ringWays.ts';
import { measuredRatios } from './measuredRatio.ts';
import type { MeasuredRatios } from './ratioBelief.ts';
import { gatherSag, type SagReadings } from '../document/sagReadings.ts';
import { numberOf, type Fact, type NumberedKind, type Pictured } from '../document/factKinds.ts';
import { isOf, standingFacts, type FactEntry } from '../document/facts.ts';
import { restoredSlot, sortRepeats, type Repeat, type SortedRepeats } from '../document/repeats.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { isAssembledIn, isFittedAt, type Fitted } from './fittedIn.ts';
import { withSeconds } from './secondDatum.ts';
import { showsSag } from '../document/showsSag.ts';
import type { JobDocument, JobRecord, ToldCorner, ToldPlan } from '../document/types.ts';

export type PerCorner<T> = Partial<Record<CornerId, T>>;

/** A ring as it was read, or set, in one of the ways: the first of its damper, or the second. */
interface RingRead {
  corner: CornerId;
  by: RingWay;
  ring: 0 | 1;
  mm: number;
  /** Whether it was moved there, and not found there. */
  set: boolean;
}

/** What is known of one round. */
export interface Round {
  round: number;
  /** Tape readings in mm, per corner, in the order of their slots. */
  heights: PerCorner<number[]>;
  /** As they were typed, with their units. */
  heightsTyped: PerCorner<string[]>;
  /** Which of them were read off pictures, and how far those may be out. */
  heightsPictured: PerCorner<(Pictured | null)[]>;
  /** The single odd reading among several, which does not count until somebody says so. */
  aside: PerCorner<Repeat>;
  /** What the seats went by to get here from the round before: mm towards the spring, or tenths of a bar of air. */
  moves: PerCorner<number>;
  /** Lower mounts screwed out to get here, mm. */
  mounts: PerCorner<number>;
  /** Crossover rings moved to get here, mm towards the springs, by slider. */
  rings: PerCorner<Record<string, number>>;
  /** Rings whose springs are not known, as found or as set, the last of them last. */
  ringReads: RingRead[];
  /** Collar readings taken in this round, after its moves. */
  collars: PerCorner<number>;
  /** The same from their second edges, as read. */
  seconds: PerCorner<number>;
  /** Wheel travel used from full droop, measured. */
  travelUsed: PerCorner<number>;
  /** Dampers from eye to eye as the machine stood, measured. */
  damperLengths: PerCorner<number>;
  /** Clearances measured in this round, by their place in the corner's list. */
  clearances: PerCorner<Record<number, number>>;
  /** Wheels on pads with on board what is measured with, kg, in the order of their slots. */
  pads: PerCorner<number[]>;
  /** The same in other load cases, by their place among the owner's. */
  padsIn: Record<number, PerCorner<number[]>>;
  /** Once more with the two pads of an axle swapped. */
  padsSwapped: Partial<Record<Axle, PerCorner<number>>>;
  /** What the sag bench read, by corner. */
  sag: SagReadings;
  /** How it was settled before measuring, or null when nobody said. */
  settled: string | null;
  /** The load case it was read in, by its place among the owner's: as in the round before, unless somebody says otherwise. */
  loadCase: number;
  /** Where on the floor it was read, where that is another place than the description's; as in the round before. */
  floor: Pick<Fact<'floor'>, 'place' | 'floorMm'> | null;
  /** km driven since the round before, or since what is new went in; null where nobody drove. */
  drivenKm: number | null;
  /** What went in after the round before. */
  fitted: Fitted[];
  /** The plan that was told to get here. */
  told: ToldPlan | null;
}

export interface RoundsState {
  rounds: Round[];
  /** The round whose readings count now: 0 is the baseline. */
  current: number;
  /** The round in which the machine was first read as it is fitted now: 0 where nothing went in since the baseline. */
  base: number;
  /** A told plan of the next round that is not yet turned everywhere: which corners are left. */
  turning: { told: ToldPlan; left: CornerId[]; begun: boolean } | null;
  locked: boolean;
  /** Ratios taken off this machine with a tape, by axle. */
  measuredRatio: MeasuredRatios;
  /** Preparation that was skipped, by id. */
  skipped: string[];
  /** Suspicions and contradictions that somebody has checked and found right, by key. */
  checkedRight: string[];
}

/** Reads the rounds from the facts that stand. */
export function readRounds(record: Pick<JobRecord, 'entries' | 'document'>): RoundsState {
  const facts = standingFacts(record);
  const last = Math.max(0, ...facts.map(({ fact }) => fact.round));
  const all = withSeconds(
    record.document,
    withWhatIsKept(
      Array.from({ length: last + 1 }, (_, round) => readRound(facts, record.document, round)),
      facts,
    ),
  );
  const newest = all[last] as Round;
  const left = newest.told ? leftToTurn(newest.told, newest) : [];
  const open = last > 0 && left.length > 0 && !measuringBegan(newest);
  const rounds = open ? all.slice(0, last) : all;
  return {
    rounds,
    current: rounds.length - 1,
    base: lastFitted(rounds, () => true),
    turning: open && newest.told ? { told: newest.told, left, begun: wasTouched(newest) } : null,
    skipped: facts.flatMap(({ fact }) => (fact.kind === 'prep' && fact.how === 'skipped' ? [fact.slot] : [])),
    measuredRatio: measuredRatios(
      facts.filter(({ fact }) => fact.corner === null || fact.round >= ratioSince(rounds, fact.corner)),
      allCorners,
    ),
    checkedRight: facts.flatMap(({ fact }) =>
      fact.kind === 'acknowledged' && /^(misfit|asked|finding):/.test(fact.slot) ? [fact.slot] : [],
    ),
    locked: facts.some(({ fact }) => fact.kind === 'locked' && fact.round === last),
  };
}

/** The last round before which such a part went in; 0 where none did. */
export function lastFitted(rounds: readonly Round[], is: (one: Fitted) => boolean): number {
  return rounds.findLast(({ fitted }) => fitted.some(is))?.round ?? 0;
}

/** The first round of a corner whose wheel moves its damper as it does now. */
export function ratioSince(rounds: readonly Round[], id: CornerId): number {
  return lastFitted(rounds, (one) => isFittedAt(one, id) && !newParts[one.part].keepsRatio);
}

function leftToTurn(told: ToldPlan, round: Round): CornerId[] {
  return allCorners.filter((id) => {
    const asked = told.corners[id];
    return asked !== undefined && workOf(asked).some((work) => !isDone(work, id, round));
  });
}

/** One thing to be moved at a corner. */
export type Work =
  | { kind: 'adjustment'; slot: string; mm: number }
  | { kind: 'mount' | 'ring'; slot: string; mm: number }
  | { kind: 'inflated'; slot: string; bar: number };

/** All that a told corner asks for, in the order of the work: height first, rings after it. */
export function workOf({ seatMm, airByBar, mountMm, ringsMm }: ToldCorner): Work[] {
  const all: Work[] = [
    { kind: 'adjustment', slot: 'done', mm: seatMm },
    { kind: 'inflated', slot: 'done', bar: airByBar ?? 0 },
    { kind: 'mount', slot: 'done', mm: mountMm ?? 0 },
    ...(ringsMm ?? []).map((mm, j): Work => ({ kind: 'ring', slot: String(j), mm })),
  ];
  return all.filter((one) => (one.kind === 'inflated' ? one.bar : one.mm) !== 0);
}

function isDone({ kind, slot }: Work, id: CornerId, { moves, mounts, rings }: Round): boolean {
  if (kind === 'ring') return rings[id]?.[slot] !== undefined;
  return (kind === 'mount' ? mounts : moves)[id] !== undefined;
}

function wasTouched({ moves, mounts, rings }: Round): boolean {
  return [moves, mounts, rings].some((done) => Object.keys(done).length > 0);
}

/** Settling or reading says that turning is over: what was not turned is left alone. */
function measuringBegan(round: Round): boolean {
  return (
    [round.heights, round.pads, round.sag].some((read) => Object.keys(read).length > 0) ||
    round.settled !== null
  );
}

function readRound(facts: readonly FactEntry[], document: JobDocument, round: number): Round {
  const here = facts.filter(({ fact }) => fact.round === round).map(({ fact }) => fact);
  const single = (kind: NumberedKind): PerCorner<number> =>
    Object.fromEntries(here.filter(isOf(kind)).map((fact) => [fact.corner, numberOf(fact)]));
  const restored = facts.flatMap(({ fact }) => (fact.kind === 'acknowledged' ? [fact.slot] : []));
  const repeats = heightRepeats(here, restored);
  const counted = <T>(of: (one: Repeat) => T): PerCorner<T[]> =>
    Object.fromEntries(Object.entries(repeats).map(([id, { counted: list }]) => [id, list.map(of)]));
  return {
    round,
    heights: counted(({ mm }) => mm),
    heightsTyped: counted(({ typed }) => typed),
    heightsPictured: counted(({ picture }) => picture),
    aside: Object.fromEntries(
      Object.entries(repeats).flatMap(([id, { aside }]) => (aside ? [[id, aside]] : [])),
    ),
    ...readPads(here),
    moves: { ...single('adjustment'), ...airMoves(here) },
    mounts: single('mount'),
    rings: ringMoves(here),
    ringReads: ringReadsOf(here),
    collars: collarsOf(here, (slot) => slot !== 'second'),
    seconds: collarsOf(here, (slot) => slot === 'second'),
    travelUsed: single('travel-used'),
    damperLengths: single('damper-length'),
    clearances: clearancesOf(here),
    sag: gatherSag(
      here
        .filter(isOf('sag'))
        .flatMap(({ corner, slot, mm, picture }) => (corner ? [{ corner, slot, mm, picture }] : [])),
      (id) => showsSag(document, id),
    ),
    settled: here.find(isOf('settled'))?.how ?? null,
    loadCase: 0,
    floor: null,
    drivenKm: here.find(isOf('driven'))?.km ?? null,
    fitted: here
      .filter(isOf('fitted'))
      .map(({ part, axle, corner, words, kit, moreMm }) => ({ part, axle, corner, words, kit, moreMm })),
    told: here.findLast(isOf('plan'))?.told ?? null,
  };
}

/** Every round with what was aboard and where it stood: as in the round before, until somebody says otherwise. */
function withWhatIsKept(rounds: readonly Round[], facts: readonly FactEntry[]): Round[] {
  const said = facts.map(({ fact }) => fact).filter(isOf('aboard'));
  const stood = facts.map(({ fact }) => fact).filter(isOf('floor'));
  let loadCase = 0;
  let floor: Round['floor'] = null;
  return rounds.map((one) => {
    loadCase = said.findLast(({ round }) => round === one.round)?.loadCase ?? loadCase;
    floor = stood.findLast(({ round }) => round === one.round) ?? floor;
    return { ...one, loadCase, floor };
  });
}

/** Height readings by corner: those that count, and the single odd one among several. */
function heightRepeats(facts: readonly Fact[], restored: readonly string[]): PerCorner<SortedRepeats> {
  const all: PerCorner<Repeat[]> = {};
  facts
    .filter(isOf('height'))
    .sort((a, b) => Number(a.slot) - Number(b.slot))
    .forEach(({ corner, slot, mm, typed, picture }) =>
      (all[corner as CornerId] ??= []).push({ slot, mm, typed: typed ?? '', picture: picture ?? null }),
    );
  const round = facts[0]?.round ?? 0;
  const restoredAt = (id: string, slot: string) =>
    restored.includes(restoredSlot(round, id as CornerId, slot));
  return Object.fromEntries(
    Object.entries(all).map(([id, list]) => [
      id,
      sortRepeats(
        list,
        list.map(({ slot }) => slot).filter((slot) => restoredAt(id, slot)),
      ),
    ]),
  );
}

/** Pads by what was on board and by where they lay: slots `1`, `c1-1` (the second load case), `swapped-front`. */
function readPads(facts: readonly Fact[]): Pick<Round, 'pads' | 'padsIn' | 'padsSwapped'> {
  const pads: Round['pads'] = {};
  const padsIn: Round['padsIn'] = {};
  const padsSwapped: Round['padsSwapped'] = {};
  const read = facts.filter(isOf('pad')).sort((a, b) => a.slot.localeCompare(b.slot));
  for (const { corner, slot, kg } of read) {
    if (corner === null) continue;
    const swapped = /^swapped-(front|rear)$/.exec(slot)?.[1] as Axle | undefined;
    const loadCase = Number(/^c(\d)-/.exec(slot)?.[1] ?? 0);
    if (swapped) (padsSwapped[swapped] ??= {})[corner] = kg;
    else ((loadCase === 0 ? pads : (padsIn[loadCase] ??= {}))[corner] ??= []).push(kg);
  }
  return { pads, padsIn, padsSwapped };
}

function clearancesOf(facts: readonly Fact[]): Round['clearances'] {
  const all: Round['clearances'] = {};
  for (const { corner, slot, mm } of facts.filter(isOf('clearance')))
    if (corner !== null) (all[corner] ??= {})[Number(slot)] = mm;
  return all;
}

function airMoves(facts: readonly Fact[]): PerCorner<number> {
  return Object.fromEntries(
    facts.filter(isOf('inflated')).map(({ corner, bar }) => [corner, bar / AIR_STEP_BAR]),
  );
}

function ringMoves(facts: readonly Fact[]): Round['rings'] {
  const moves: Round['rings'] = {};
  for (const { corner, slot, mm } of facts.filter(isOf('ring')))
    if (corner !== null) (moves[corner] ??= {})[slot] = mm;
  return moves;
}

function collarsOf(facts: readonly Fact[], isMeant: (slot: string) => boolean): PerCorner<number> {
  const read = facts.filter(isOf('collar')).filter(({ slot }) => isMeant(slot));
  return Object.fromEntries(read.map(({ corner, mm }) => [corner, mm]));
}

function ringReadsOf(facts: readonly Fact[]): RingRead[] {
  return facts.flatMap((fact) => {
    const by = ringWays.find((way) => ringFact[way] === fact.kind);
    const mm = numberOf(fact);
    return by === undefined || fact.corner === null || mm === null
      ? []
      : [
          {
            corner: fact.corner,
            by,
            ring: fact.slot.endsWith('-2') ? 1 : 0,
            mm,
            set: fact.slot.startsWith('set'),
          },
        ];
  });
}

/**
 * The collar reading now: the last one read, carried along by the moves done since; null when never read, or not since it
 * was put together anew.
 */
export function collarNow(rounds: readonly Round[], corner: CornerId, sign: 1 | -1): number | null {
  let reading: number | null = null;
  for (const round of rounds) {
    if (isAssembledIn(round, corner)) reading = null;
    if (reading !== null) reading += sign * (round.moves[corner] ?? 0);
    reading = round.collars[corner] ?? reading;
  }
  return reading;
}
