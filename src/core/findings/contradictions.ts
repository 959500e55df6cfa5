import { part } from '../calculation/part.ts';
import type { Part } from '../calculation/part.ts';
import { unequalPressures } from '../document/checks.ts';
import { standingFacts } from '../document/facts.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';
import { toleranceOf } from '../estimate/corner.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import { referenceKinds } from '../geometry/reference.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { twinOf, type CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import { pairApart, type LikelyReading } from './pairApart.ts';

/** Two entries of which not both can be so, or one that looks like a slip. Numbers are as they were entered. */
export type Contradiction =
  /** Wheels that add up to something else than the machine is said to weigh. */
  | { about: 'weights'; wheelsKg: number; sheetKg: number }
  | { about: 'spring-of-twin'; corner: CornerId; rateNPerMm: number; twinNPerMm: number }
  /** Every corner reads the same to the millimetre. */
  | { about: 'all-alike'; mm: number; count: number }
  /** One axle leans as no rigid body on level ground does beside the other; a swap of two digits may be why. */
  | { about: 'pair-apart'; corner: CornerId; mm: number; twinMm: number; likely: LikelyReading | null }
  | { about: 'in-cm'; corner: CornerId; round: number; read: number; likelyMm: number }
  /** A preload that its spring cannot be squeezed by, or slack that its damper cannot take up. */
  | { about: 'preload'; corner: CornerId; preloadMm: number; mostMm: number }
  | { about: 'travel-used'; corner: CornerId; round: number; usedMm: number; travelMm: number }
  | { about: 'tyres-unlike'; corner: CornerId; bar: number; twinBar: number }
  | { about: 'tyre-not-as-wanted'; corner: CornerId; bar: number; wantedBar: number }
  /** A floor that is corrected for, under a height that is taken from the floor. */
  | { about: 'floor-twice'; corner: CornerId; floorMm: number };

/** share. Wheels and sheet may differ by fuel, tools and a rough figure. */
const WEIGHTS_APART = 0.15;
/** times. Left and right springs further apart than this are asked about. */
const TWIN_SPRINGS = 2;
/** share. How near ten times a reading must come to what is expected for it to look typed in centimetres. */
const LIKE_CM = 0.15;
/** corners. Two may read alike by chance. */
const ALIKE_FROM = 4;
/** share. A gauge reads no finer. */
const TYRE_SHARE = 0.05;

interface Entered {
  document: JobDocument;
  state: RoundsState;
  bars: Partial<Record<CornerId, number>>;
}

/** What was entered that cannot all be so, but for what somebody has looked at and found right. */
export function contradictionsIn(record: JobRecord, state: RoundsState): Contradiction[] {
  const { document } = record;
  const bars: Entered['bars'] = {};
  for (const { fact } of standingFacts(record))
    if (fact.kind === 'pressure' && fact.slot === 'now' && fact.corner) bars[fact.corner] = fact.bar;
  const entered = { document, state, bars };
  const ids = cornersIn(document);
  const all = [
    ...weights(entered),
    ...alike(entered),
    ...apart(entered),
    ...ids.flatMap((id) => [
      ...spring(entered, id),
      ...centimetres(entered, id),
      ...preload(entered, id),
      ...travel(entered, id),
      ...tyre(entered, id),
      ...floor(entered, id),
    ]),
  ];
  return all.filter((one) => !state.checkedRight.includes(contradictionKey(one)));
}

/** Names a contradiction with its figures: once one of them changes it is asked about anew. */
export function contradictionKey({ about, ...figures }: Contradiction): string {
  // Hundredths tell figures apart, and keep a key short enough to be stored whole.
  const plain = Object.values(figures)
    .filter((one) => typeof one !== 'object')
    .map((one) => (typeof one === 'number' ? Number(one.toFixed(2)) : one));
  return `asked:${about} ${plain.join(' ')}`.slice(0, 48);
}

/** The figures that do not agree, as they were entered. */
export function contradictionParts(one: Contradiction): Part[] {
  switch (one.about) {
    case 'weights':
      return [
        part('W wheels', one.wheelsKg, 'mass', 'measured'),
        part('W sheet', one.sheetKg, 'mass', 'sheet'),
      ];
    case 'spring-of-twin':
      return [part('k', one.rateNPerMm, 'rate', 'sheet'), part('k twin', one.twinNPerMm, 'rate', 'sheet')];
    case 'all-alike':
      return [part('L', one.mm, 'length', 'measured')];
    case 'pair-apart':
      return [part('L', one.mm, 'length', 'measured'), part('L twin', one.twinMm, 'length', 'measured')];
    case 'in-cm':
      return [
        part('L', one.read, 'length', 'measured'),
        part('L likely', one.likelyMm, 'length', 'computed'),
      ];
    case 'preload':
      return [part('p', one.preloadMm, 'length', 'sheet'), part('p most', one.mostMm, 'length', 'computed')];
    case 'travel-used':
      return [part('z', one.usedMm, 'length', 'measured'), part('z max', one.travelMm, 'length', 'sheet')];
    case 'tyres-unlike':
      return [
        part('P', one.bar, 'pressure', 'measured'),
        part('P twin', one.twinBar, 'pressure', 'measured'),
      ];
    case 'tyre-not-as-wanted':
      return [
        part('P', one.bar, 'pressure', 'measured'),
        part('P wanted', one.wantedBar, 'pressure', 'sheet'),
      ];
    case 'floor-twice':
      return [part('floor', one.floorMm, 'length', 'measured')];
  }
}

function weights({ document, state }: Entered): Contradiction[] {
  const { massKg } = document.machine;
  const ids = cornersIn(document);
  const pads = state.rounds.findLast((round) => ids.every((id) => round.pads[id] !== undefined))?.pads;
  const wheels = ids.map((id) => (pads?.[id] ? meanOf(pads[id]) : document.corners[id].loadKg));
  if (massKg === null || wheels.some((kg) => kg === null)) return [];
  const aboardKg = document.loads.reduce((sum, { kg, aboard }) => sum + (aboard[0] ? kg : 0), 0);
  const wheelsKg = wheels.reduce<number>((sum, kg) => sum + (kg ?? 0), 0);
  const sheetKg = massKg + aboardKg;
  const apart = Math.abs(wheelsKg - sheetKg) > WEIGHTS_APART * sheetKg;
  return apart ? [{ about: 'weights', wheelsKg, sheetKg }] : [];
}

function alike({ document, state }: Entered): Contradiction[] {
  const ids = cornersIn(document);
  const read = ids.flatMap((id) => state.rounds[state.current]?.heights[id] ?? []);
  const [mm] = read;
  const all = ids.every((id) => state.rounds[state.current]?.heights[id] !== undefined);
  if (mm === undefined || !all || ids.length < ALIKE_FROM || read.some((one) => one !== mm)) return [];
  return [{ about: 'all-alike', mm, count: ids.length }];
}

/** Readings in centimetres lie apart, too, and are told as that. */
function apart(entered: Entered): Contradiction[] {
  const found = pairApart(entered.document, entered.state);
  const inCm = found.some(({ low, high }) => [low, high].some((id) => centimetres(entered, id).length > 0));
  return inCm
    ? []
    : found.map(({ low, mm, twinMm, likely }) => ({ about: 'pair-apart', corner: low, mm, twinMm, likely }));
}

function spring({ document }: Entered, corner: CornerId): Contradiction[] {
  const twin = twinOf(corner);
  if (twin === null) return [];
  const others = document.corners[twin].springs;
  return document.corners[corner].springs.flatMap(({ rateNPerMm }, k): Contradiction[] => {
    const twinNPerMm = others[k]?.rateNPerMm ?? null;
    // Told once, at the softer of the two: a digit lost is likelier than one too many.
    return rateNPerMm !== null && twinNPerMm !== null && twinNPerMm > TWIN_SPRINGS * rateNPerMm
      ? [{ about: 'spring-of-twin', corner, rateNPerMm, twinNPerMm }]
      : [];
  });
}

function centimetres({ document, state }: Entered, corner: CornerId): Contradiction[] {
  const twin = twinOf(corner);
  return state.rounds.flatMap(({ round, heights }): Contradiction[] => {
    const expected = [
      ...((twin && heights[twin]) ?? []),
      ...(heights[corner] ?? []),
      ...state.rounds.flatMap((one) => (one.round === round ? [] : (one.heights[corner] ?? []))),
      ...(document.corners[corner].targetMm === null ? [] : [document.corners[corner].targetMm]),
    ];
    const read = (heights[corner] ?? []).find((mm) =>
      expected.some((other) => Math.abs(10 * mm - other) <= LIKE_CM * other),
    );
    return read === undefined ? [] : [{ about: 'in-cm', corner, round, read, likelyMm: 10 * read }];
  });
}

function preload({ document }: Entered, corner: CornerId): Contradiction[] {
  const { preloadMm, springs, travelMm, ratio } = document.corners[corner];
  if (preloadMm === null) return [];
  const strokes = springs.map(({ freeLengthMm, solidLengthMm }) =>
    freeLengthMm === null || solidLengthMm === null ? null : freeLengthMm - solidLengthMm,
  );
  const strokeMm = strokes.reduce<number | null>(
    (sum, one) => (sum === null || one === null ? null : sum + one),
    springs.length > 0 ? 0 : null,
  );
  const damperMm = travelMm === null ? null : travelMm * (ratio ?? 1);
  if (strokeMm !== null && preloadMm > strokeMm)
    return [{ about: 'preload', corner, preloadMm, mostMm: strokeMm }];
  if (damperMm !== null && preloadMm < -damperMm)
    return [{ about: 'preload', corner, preloadMm, mostMm: damperMm }];
  return [];
}

function travel({ document, state }: Entered, corner: CornerId): Contradiction[] {
  const { travelMm } = document.corners[corner];
  if (travelMm === null) return [];
  const mostMm = travelMm + toleranceOf(document).value;
  return state.rounds.flatMap(({ round, travelUsed }): Contradiction[] => {
    const usedMm = travelUsed[corner];
    return usedMm !== undefined && usedMm > mostMm
      ? [{ about: 'travel-used', corner, round, usedMm, travelMm }]
      : [];
  });
}

function tyre({ document, bars }: Entered, corner: CornerId): Contradiction[] {
  const bar = bars[corner];
  const { tyreBar: wantedBar } = document.corners[corner];
  if (bar === undefined) return [];
  if (wantedBar !== null && Math.abs(bar - wantedBar) > TYRE_SHARE * wantedBar)
    return [{ about: 'tyre-not-as-wanted', corner, bar, wantedBar }];
  // Wanted unlike, and as wanted, is no contradiction.
  const twin = twinOf(corner);
  if (twin && wantedBar !== null && document.corners[twin].tyreBar !== null) return [];
  return unequalPressures(document, bars)
    .filter(({ left }) => left === corner)
    .map(({ right }) => ({ about: 'tyres-unlike', corner, bar, twinBar: bars[right as CornerId] ?? 0 }));
}

function floor({ document }: Entered, corner: CornerId): Contradiction[] {
  const { floorMm, reference } = document.corners[corner];
  const fromFloor = referenceKinds[reference.kind].follows === 'body';
  return floorMm !== null && floorMm !== 0 && fromFloor ? [{ about: 'floor-twice', corner, floorMm }] : [];
}
