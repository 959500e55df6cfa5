import { fittedFields } from '../document/description/fitted.ts';
import { cornerField } from '../document/description/corner.ts';
import { jobField } from '../document/description/job.ts';
import { taken } from '../document/description/assumed.ts';
import { torsion as torsionField } from '../document/description/parts.ts';
import { torsionRate } from '../springs/torsion.ts';
import {
  airTaken,
  barRate,
  camDegrees,
  isAirAssumed,
  areAnglesAssumed,
  isPlaceAssumed,
  isTorsionAssumed,
  camArcs,
  ratioTaken,
  torsionTaken,
} from '../document/taken.ts';
import type { RatioDescription } from '../geometry/ratioMap.ts';
import { FaultList, type Checked, type Fault } from '../faults.ts';
import { usableMap } from '../geometry/ratioMap.ts';
import { referenceKinds } from '../geometry/reference.ts';
import { axleRatioSd, isRatioUnsaid, ownRatio, type MeasuredRatios } from './ratioBelief.ts';
import { frictionPrior, priors } from './prior.ts';
import type { BelievedMachine, ContactBelief, Reference, Situation } from './belief.ts';
import { axleOf, sideOf, twinOf, type CornerId } from '../kinds/corners.ts';
import { contactPoint } from '../machine/body.ts';
import { cornerFault, cornersIn } from '../kinds/classes/index.ts';
import { checkMachine } from '../machine/check.ts';
import { classDefaults } from '../kinds/classes/index.ts';
import type { Axle } from '../kinds/corners.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import type {
  BarDescription,
  ContactDescription,
  MassDescription,
  SpringsDescription,
} from '../machine/description.ts';
import { GRAVITY } from '../machine/solver.ts';
import type { SpringDescription } from '../springs/spring.ts';
import { tolerances } from '../tolerances.ts';
import { machineAlone, massesOf, missingFuel, type RiderMass } from '../document/riders.ts';
import { cornerSpec, type Source } from './corner.ts';
import { blankCorner, blankDocument } from '../document/create.ts';
import type { PerCorner } from './rounds.ts';
import { isSaid, springFrom } from '../document/spring.ts';
import type { CornerDocument, JobDocument, TorsionDocument } from '../document/types.ts';

/** bar, absolute. A gauge on an air spring. */
const GAUGE_SD_BAR = 0.1;
/** relative. A mass somebody has named. */
const MASS_SD = 0.03;
/** relative. A wheel's share of a known whole. */
const SHARED_MASS_SD = 0.05;
/** relative. A wheel of a machine of which only the class is known. */
const UNKNOWN_MASS_SD = 0.15;
/** relative. Rate of an anti-roll bar from a sheet. */
const BAR_SD = 0.1;
/** km. New springs have lost two thirds of what they will lose. */
const SETTLING_KM = 90;
/** mm at the wheel that springs nobody called new are thought to lose on the road: shared by all, and each its own. */
const SETTLING_PRIOR_MM = { mean: 1, sd: 2, own: 2 };

/** Where the figures of one corner's model come from. */
interface CornerSources {
  springs: Source;
  preload: Source;
  load: Source;
}

export interface JobMachine {
  believed: BelievedMachine;
  /** Its corners, in the order of its contacts. */
  corners: readonly CornerId[];
  sources: Record<CornerId, CornerSources>;
  /** Masses aboard, by load case. */
  aboard: boolean[][];
  /** Masses aboard with no rider on. */
  alone: boolean[];
  /** Masses aboard by rider, as sag is read and as he rides. */
  ridden: Record<string, { read: boolean[]; ride: boolean[] }>;
}

export interface MachineOptions {
  /** It has been on the road between rounds, where springs lose height whether or not anybody said so. */
  driven?: boolean;
  /** What a reference reads fully extended, mm as the sheet states it. */
  extendedMm?: PerCorner<number>;
  /** Corners whose travel used was read: full droop is then known to be where it is. */
  travelRead?: readonly CornerId[];
  /** Ratios taken off this machine, by axle. */
  measuredRatio?: MeasuredRatios;
  /** How far all pictures of a corner may be out together, mm. */
  picturesSdMm?: PerCorner<number>;
}

/**
 * The machine of a job with what is not known of it: given figures are as good as such figures usually are, assumed ones
 * are for the class and broad. Faults name places in the document.
 */
export function machineOf(
  document: JobDocument,
  read: readonly CornerId[],
  {
    driven = false,
    extendedMm = {},
    measuredRatio = {},
    travelRead = [],
    picturesSdMm = {},
  }: MachineOptions = {},
): Checked<JobMachine> {
  const faults = new FaultList();
  const wrong = cornerFault(document.machine.class, Object.keys(document.corners));
  if (wrong) return { ok: false, faults: [wrong] };
  const ids = cornersIn(document);
  const corners = ids.map((id) =>
    cornerFrom(document, id, {
      faults,
      measuredRatio,
      extended: extendedMm[id] !== undefined,
      usedRead: travelRead.includes(id),
    }),
  );
  const loads = document.loads.map(({ name, kg, xMm, yMm }) => ({ name, kg, x: xMm, y: yMm }));
  const riders = riderMasses(document);
  const people = riders.flatMap(({ masses }) => masses);
  const machine = checkMachine({
    contacts: corners.map(({ contact }) => contact),
    masses: [
      ...cornerMasses(document),
      ...loads,
      ...people.map(({ name, kg, xMm }) => ({ name, kg, x: xMm, y: 0 })),
    ],
    bars: barsOf(document, faults),
  });
  if (!machine.ok) faults.faults.push(...machine.faults.map((fault) => inDocument(fault, ids)));
  if (faults.faults.length > 0 || !machine.ok) return { ok: false, faults: faults.faults };
  const loadSd = massSpread(document);
  return {
    ok: true,
    value: {
      corners: ids,
      sources: Object.fromEntries(ids.map((id, i) => [id, corners[i]?.sources])) as JobMachine['sources'],
      ...aboardOf(document, ids.length, riders),
      believed: {
        machine: machine.value,
        references: read.map((id) => ({
          ...referenceOf(document, id, extendedMm[id] ?? null),
          ...(picturesSdMm[id] && { picturesSdMm: picturesSdMm[id] }),
        })),
        belief: {
          axleRatio: {
            front: axleRatioSd(document, 'front', measuredRatio),
            rear: axleRatioSd(document, 'rear', measuredRatio),
          },
          rise: read.some((id) => !isRatioUnsaid(document, id, measuredRatio))
            ? priors.rise
            : priors.unknownRise,
          axleSpring: { front: axleSpringSd(document, 'front'), rear: axleSpringSd(document, 'rear') },
          contacts: corners.map(({ belief }) => belief),
          masses: [...ids.map(() => loadSd), ...loads.map(() => MASS_SD), ...people.map(({ sd }) => sd)],
          bars: hookedBarSds(document),
          steps: unknownSteps(document, ids),
          settling: settlingPrior(document, driven),
          settlingKm: { mean: Math.log(SETTLING_KM), sd: 0 },
        },
      },
    },
  };
}

/** Standard deviations from the least to the most that somebody names of a thing: nine in ten lie between. */
const RANGE_SDS = 3.3;

/** Adjusters of which nobody said just what a step does, left and right together. */
function unknownSteps(document: JobDocument, ids: readonly CornerId[]): BelievedMachine['belief']['steps'] {
  return ids.flatMap((id, i) => {
    const { torsion, air, stepMm, stepMostMm } = document.corners[id];
    const ranged = stepMm !== null && stepMostMm !== null && stepMostMm > stepMm;
    const isUnknown = torsion ? areAnglesAssumed(torsion) : air !== null && isAirAssumed(air);
    const twin = twinOf(id);
    const other = twin === null ? -1 : ids.indexOf(twin);
    if ((!isUnknown && !ranged) || (other >= 0 && other < i)) return [];
    const contacts = other >= 0 ? [i, other] : [i];
    if (ranged) return [{ contacts, mean: 0, sd: Math.log(stepMostMm / stepMm) / RANGE_SDS }];
    const prior = torsion ? priors.unknownStep.positions : priors.unknownStep.pressure;
    return [{ contacts, ...prior }];
  });
}

/** What is expected of springs that settle, mm at the wheel. */
function settlingPrior({ settlingMm }: JobDocument, driven: boolean): BelievedMachine['belief']['settling'] {
  if (settlingMm !== null) return { all: { mean: settlingMm, sd: 0.4 * settlingMm }, own: 0.15 * settlingMm };
  if (!driven) return { all: { mean: 0, sd: 0 }, own: 0 };
  const { mean, sd, own } = SETTLING_PRIOR_MM;
  return { all: { mean, sd }, own };
}

/** The parts of a corner that a fault can be in: springs and what goes with them. All else stays when there is one. */
const FITTED = fittedFields(cornerField.fields);

/**
 * The same job without what is fitted, for a model in which that contradicts itself. What was turned by a cam, by pressure or
 * at a mount cannot be told without it, and is left as it is.
 */
export function plainly(document: JobDocument): JobDocument {
  const anew = blankDocument(document.machine.class, document.name);
  const corners = Object.fromEntries(
    cornersIn(document).map((id) => {
      const corner = document.corners[id];
      const blank = blankCorner(document.machine.class, id);
      const bare = Object.fromEntries(FITTED.map((key) => [key, blank[key]]));
      const byParts = corner.torsion !== null || corner.air !== null || corner.mount !== null;
      return [id, { ...corner, ...bare, adjustable: corner.adjustable && !byParts }];
    }),
  ) as JobDocument['corners'];
  const whole = Object.fromEntries(fittedFields(jobField.fields).map((key) => [key, anew[key]]));
  return { ...document, ...whole, corners };
}

/** Situation with these seats and mounts, in load case `k`. */
export function situationOf(
  machine: JobMachine,
  seatsBy: readonly number[],
  mountsMm: readonly number[],
  ringsMm: readonly (readonly number[])[] | undefined,
  k: number,
): Situation {
  return { seatsBy, mountsMm, ringsMm, km: 0, aboard: machine.aboard[k] ?? machine.aboard[0] ?? [] };
}

/** Faults of the engine's description name contacts by number; the document names corners. */
function inDocument({ path, ...rest }: Fault, corners: readonly CornerId[]): Fault {
  const named = path
    .replace(/^contacts\[(\d)\]/, (_, i: string) => `corners.${corners[Number(i)] ?? i}`)
    .replace('.springs.stack.', '.')
    .replace('.springs.torsion.', '.torsion.')
    .replace('.springs.air.', '.air.')
    .replace('.ratio.', '.ratioFrom.');
  return { path: named, ...rest };
}

interface CornerOptions {
  faults: FaultList;
  measuredRatio: MeasuredRatios;
  /** Whether its full droop is known from a reading, and whether travel used was ever read. */
  extended: boolean;
  usedRead: boolean;
}

function cornerFrom(
  document: JobDocument,
  id: CornerId,
  { faults, measuredRatio, extended, usedRead }: CornerOptions,
): { contact: ContactDescription; belief: ContactBelief; sources: CornerSources } {
  const corner = document.corners[id];
  const spec = cornerSpec(document, id);
  const assumed = classDefaults[document.machine.class];
  const travelMm = spec.travelMm.value;
  const ratio: RatioDescription = corner.ratioFrom
    ? ratioTaken(corner.ratioFrom)
    : { kind: 'constant', ratio: spec.ratio.value };
  const springRatio =
    corner.springRatio === null ? null : { kind: 'constant' as const, ratio: corner.springRatio };
  const unsprungKg = corner.unsprungKg ?? assumed.unsprungKg;
  const rest = restingSpring(document, id, springRatio ?? ratio, unsprungKg);
  const springs = fittedSprings(document, id, rest, faults);
  const assumedPreloadMm = ASSUMED_PRELOAD * rest.strokeMm;
  const preload = preloadOf(corner, springs, rest);
  const { x, y } = contactPoint(document.machine, id);
  return {
    contact: {
      name: id,
      axle: axleOf(id),
      x,
      y,
      travelMm,
      openEnds: {
        droop: corner.travelMm === null && !extended && !usedRead,
        bump: corner.travelMm === null,
      },
      ratio,
      springRatio,
      springs: springs ?? plainSpring(rest.forceN / (rest.strokeMm + assumedPreloadMm)),
      preloadMm: preload.mm,
      gas: corner.gas,
      stop: corner.stopRows
        ? { contactMm: stopContact(ratio, travelMm, spec.stopMm.value), rows: corner.stopRows }
        : null,
      topOut: null,
      tyreRateNPerMm: corner.tyreRateNPerMm ?? assumed.tyreRateNPerMm,
      unsprungKg,
      padMm: corner.floorMm ?? 0,
    },
    belief: {
      ratio: ownRatio(document, id, { ratio, travelMm, measuredRatio }),
      springs: springSds(springs, areSpringsAssumed(corner, springs)),
      preloadMm: preload.sdMm,
      tyre: corner.tyreRateNPerMm === null ? 0.2 : 0.1,
      frictionMm: frictionPrior(travelMm),
    },
    sources: {
      springs: areSpringsAssumed(corner, springs) ? 'assumed' : 'sheet',
      preload: preload.source,
      load: corner.loadKg !== null ? 'measured' : document.machine.massKg !== null ? 'sheet' : 'assumed',
    },
  };
}

/** Of a spring nobody named: this share of its stroke to ride height is taken up before the load comes on. */
const ASSUMED_PRELOAD = 0.1;

/** Preload at full droop, how well it is known and from what; for a torsion or air spring what stands over its place. */
function preloadOf(
  corner: CornerDocument,
  springs: SpringsDescription | null,
  rest: Rest,
): { mm: number; sdMm: number; source: Source } {
  if (corner.torsion || corner.air) {
    const assumed = isPlaceAssumed(corner, 0);
    const gaugeSd =
      (corner.air && isAirAssumed(corner.air) ? priors.unknownAirBar : GAUGE_SD_BAR) / AIR_STEP_BAR;
    const placeSd = assumed ? UNKNOWN_PRELOAD * rest.strokeMm : tolerances.preloadSdMm;
    return {
      mm: corner.preloadMm ?? 0,
      sdMm: corner.air ? gaugeSd : corner.preloadMm === null ? placeSd : tolerances.preloadSdMm,
      source: assumed ? 'assumed' : 'sheet',
    };
  }
  if (corner.preloadMm !== null)
    return { mm: corner.preloadMm, sdMm: tolerances.preloadSdMm, source: 'measured' };
  const fromRoom = preloadFromRoom(corner);
  if (fromRoom !== null) return { mm: fromRoom, sdMm: tolerances.preloadSdMm, source: 'computed' };
  return {
    mm: springs ? preloadFor(springs, rest) : ASSUMED_PRELOAD * rest.strokeMm,
    sdMm: UNKNOWN_PRELOAD * rest.strokeMm,
    source: 'assumed',
  };
}

/** relative to the stroke at ride height. A preload nobody has measured. */
const UNKNOWN_PRELOAD = 0.2;

/** What the springs are shorter in their room than free, mm; null where either is not known. */
function preloadFromRoom({ springs, roomMm }: CornerDocument): number | null {
  const freeMm = springs.reduce((sum, { freeLengthMm }) => sum + (freeLengthMm ?? NaN), 0);
  return roomMm !== null && springs.length > 0 && Number.isFinite(freeMm) ? freeMm - roomMm : null;
}

interface Rest {
  /** N along the spring, and mm of its compression from full droop, at an ordinary ride height. */
  forceN: number;
  strokeMm: number;
  /** mm of its compression from full droop to full bump. */
  fullMm: number;
}

/** What a spring of this corner carries at the class's usual ride height. */
function restingSpring(
  document: JobDocument,
  id: CornerId,
  ratio: ContactDescription['ratio'],
  unsprungKg: number,
): Rest {
  const travelMm = cornerSpec(document, id).travelMm.value;
  const z = classDefaults[document.machine.class].restShare * travelMm;
  const map = usableMap(ratio, travelMm);
  map?.evaluate(travelMm);
  const fullMm = map?.value ?? travelMm;
  map?.evaluate(z);
  const weightN = Math.max(cornerKg(document, id) - unsprungKg, 5) * GRAVITY;
  const slope = map && map.slope > 0.01 ? map.slope : 0.8;
  return { forceN: weightN / slope, strokeMm: Math.max(map?.value ?? 0.8 * z, 1), fullMm };
}

function fittedSprings(
  document: JobDocument,
  id: CornerId,
  rest: Rest,
  faults: FaultList,
): SpringsDescription | null {
  const { springs, rings, torsion, cam, air } = document.corners[id];
  if (air) return { kind: 'air', air: airTaken(air, rest.fullMm) };
  if (torsion) {
    const positions = camDegrees(torsion).length;
    if (cam !== null && cam >= positions)
      faults.add(`corners.${id}.cam`, cam, { be: 'cam-position', last: positions - 1 });
    return {
      kind: 'torsion',
      torsion: torsionTaken(torsion, carryingRate(torsion, cam ?? 0, rest)),
      cam: cam ?? 0,
    };
  }
  const said = springs.slice(0, 1 + springs.findLastIndex(isSaid));
  if (said.length === 0) return null;
  const made = said.map((spring, i) => springFrom(`corners.${id}.springs[${i}]`, spring, faults));
  const known = made.filter((spring): spring is SpringDescription => spring !== null);
  const standing = rings.filter(({ after }) => after < said.length - 1 || said.length === springs.length);
  return known.length === made.length ? { kind: 'stack', stack: { springs: known, rings: standing } } : null;
}

/** N mm per degree with which torsion springs of unknown rate carry the load at the class's usual ride height. */
function carryingRate(torsion: TorsionDocument, cam: number, { forceN, strokeMm }: Rest): number {
  const woundMm = camArcs(torsion)[cam] ?? 0;
  const leverMm = taken(torsionField.fields.leverMm, torsion.leverMm);
  return torsionRate({ count: torsion.count, leverMm }, forceN / (strokeMm + woundMm));
}

/** Whether springs push by figures that nobody has given. */
function areSpringsAssumed({ torsion, air }: CornerDocument, springs: SpringsDescription | null): boolean {
  if (air) return isAirAssumed(air);
  return torsion ? isTorsionAssumed(torsion) : springs === null;
}

function springSds(springs: SpringsDescription | null, assumed: boolean): number[] {
  if (!springs || (assumed && springs.kind === 'torsion')) return [priors.unknownSpring.own];
  if (springs.kind === 'air') return [];
  return springs.kind === 'torsion' ? [priors.spring] : springs.stack.springs.map(() => priors.spring);
}

/** How well the rates of hooked bars are known, front first, as they stand in the machine. */
function hookedBarSds({ bars }: JobDocument): number[] {
  return [bars.front, bars.rear].flatMap((bar) =>
    bar?.hooked ? [bar.rateNPerMm === null ? priors.unknownBar : BAR_SD] : [],
  );
}

function barsOf(document: JobDocument, faults: FaultList): BarDescription[] {
  return (['front', 'rear'] as const).flatMap((axle): BarDescription[] => {
    const bar = document.bars[axle];
    if (!bar) return [];
    const [left, right] = cornersIn(document).filter((id) => axleOf(id) === axle && sideOf(id) !== 0);
    if (!left || !right) {
      faults.add(`bars.${axle}`, bar, { be: 'no-bar' });
      return [];
    }
    return [{ between: [left, right], rateNPerMm: barRate(bar), offsetMm: 0, hooked: bar.hooked }];
  });
}

/** Springs nobody has named may be anything, but alike on both sides of an axle. */
function axleSpringSd(document: JobDocument, axle: Axle): number {
  const own = cornersIn(document).filter((id) => axleOf(id) === axle);
  const named = own.some((id) => {
    const { springs, torsion, air } = document.corners[id];
    return springs.some(isSaid) || (torsion !== null && !isTorsionAssumed(torsion)) || air !== null;
  });
  return named ? 0 : priors.unknownSpring.axle;
}

function plainSpring(rateNPerMm: number): SpringsDescription {
  return { kind: 'stack', stack: { springs: [{ kind: 'linear', rateNPerMm, solidMm: null }], rings: [] } };
}

/** Preload with which known springs stand at the class's usual ride height. */
function preloadFor(springs: SpringsDescription, { forceN, strokeMm }: Rest): number {
  const compliance =
    springs.kind === 'stack'
      ? springs.stack.springs.reduce((sum, spring) => sum + 1 / firstRate(spring), 0)
      : 0;
  return Math.min(Math.max(forceN * compliance - strokeMm, -20), 0.8 * forceN * compliance);
}

function firstRate(spring: SpringDescription): number {
  if (spring.kind === 'linear') return spring.rateNPerMm;
  const [x, f] = spring.rows.find(([mm, n]) => mm > 0 && n > 0) ?? [1, 1];
  return f / x;
}

/** Damper compression at which the stop is touched: where so much wheel travel is left. */
function stopContact(ratio: ContactDescription['ratio'], travelMm: number, leftMm: number): number {
  const map = usableMap(ratio, travelMm);
  map?.evaluate(Math.max(travelMm - leftMm, 0));
  return map?.value ?? 0;
}

/** kg on a wheel as measured in, wheel and all: weighed, or a share of the whole with its rider's. */
export function cornerKg(document: JobDocument, id: CornerId): number {
  const own = document.corners[id].loadKg;
  if (own !== null) return own;
  const { kg, frontShare } = machineAlone(document);
  const share = axleOf(id) === 'front' ? frontShare : 1 - frontShare;
  return (kg * share) / onAxle(document, id) + riderKgAt(document, id);
}

/** kg that a wheel carries of the rider who is on while measuring. */
function riderKgAt(document: JobDocument, id: CornerId): number {
  const [rider] = document.riders;
  if (!rider) return 0;
  return massesOf(document, rider)
    .filter(({ read }) => read)
    .reduce((sum, { kg, xMm }) => sum + kg * shareAt(document, id, { xMm, yMm: 0 }), 0);
}

/** Riders' weights by who brings them; fuel that was missing belongs to all of them. */
function riderMasses(document: JobDocument): { key: string | null; masses: RiderMass[] }[] {
  return [
    ...document.riders.map((rider) => ({ key: rider.key, masses: massesOf(document, rider) })),
    { key: null, masses: missingFuel(document) },
  ];
}

/** What is aboard: in each load case (the first as measured, the others as ridden), alone, and by rider. */
function aboardOf(
  { cases, loads, riders: [first] }: JobDocument,
  corners: number,
  riders: ReturnType<typeof riderMasses>,
): Pick<JobMachine, 'aboard' | 'alone' | 'ridden'> {
  const wheels = Array.from({ length: corners }, () => true);
  const people = (on: string | null, as: 'read' | 'ride') =>
    riders.flatMap(({ key, masses }) =>
      masses.map((mass) => on !== null && (key === on || key === null) && mass[as]),
    );
  const loaded = (k: number) => loads.map(({ aboard }) => aboard[k] ?? false);
  const withOn = (on: string | null, as: 'read' | 'ride', k: number) => [
    ...wheels,
    ...loaded(k),
    ...people(on, as),
  ];
  return {
    aboard: cases.map((_, k) => withOn(first?.key ?? null, k === 0 ? 'read' : 'ride', k)),
    alone: withOn(null, 'read', 0),
    ridden: Object.fromEntries(
      riders.flatMap(({ key }) =>
        key === null ? [] : [[key, { read: withOn(key, 'read', 0), ride: withOn(key, 'ride', 1) }]],
      ),
    ),
  };
}

/** How many corners an axle has. */
function onAxle(document: JobDocument, id: CornerId): number {
  return cornersIn(document).filter((one) => axleOf(one) === axleOf(id)).length;
}

/** Sprung mass over each wheel, without what is named as a load of its own. */
function cornerMasses(document: JobDocument): MassDescription[] {
  const assumed = classDefaults[document.machine.class];
  return cornersIn(document).map((id) => {
    const { x, y } = contactPoint(document.machine, id);
    const ridden = riderKgAt(document, id);
    const unsprung = document.corners[id].unsprungKg ?? assumed.unsprungKg;
    const named = document.loads.reduce(
      (sum, load) => (load.aboard[0] ? sum + load.kg * shareAt(document, id, load) : sum),
      0,
    );
    return { name: `over ${id}`, kg: Math.max(cornerKg(document, id) - unsprung - named - ridden, 1), x, y };
  });
}

/** Share of a load that a wheel carries: straight between the axles, and between left and right. */
function shareAt(document: JobDocument, id: CornerId, { xMm, yMm }: { xMm: number; yMm: number }): number {
  const { y } = contactPoint(document.machine, id);
  const halfBase = (document.machine.wheelbaseMm ?? classDefaults[document.machine.class].wheelbaseMm) / 2;
  const along = 0.5 + ((axleOf(id) === 'front' ? 1 : -1) * xMm) / (2 * halfBase);
  const across = y === 0 ? 1 / onAxle(document, id) : 0.5 + yMm / (2 * y);
  return Math.max(along, 0) * Math.max(across, 0);
}

function massSpread(document: JobDocument): number {
  if (cornersIn(document).every((id) => document.corners[id].loadKg !== null)) return tolerances.weighedSd;
  return document.machine.massKg === null ? UNKNOWN_MASS_SD : SHARED_MASS_SD;
}

/** A reference that is 1 : 1 with wheel or shaft reads at full droop what it reads fully extended. */
function referenceOf(document: JobDocument, id: CornerId, extendedMm: number | null): Reference {
  const { x, y } = contactPoint(document.machine, id);
  const { kind, aheadMm } = document.corners[id].reference;
  return {
    name: id,
    follows: referenceKinds[kind].follows,
    contact: cornersIn(document).indexOf(id),
    x: x + aheadMm,
    y,
    constant:
      extendedMm === null || referenceKinds[kind].follows === 'body'
        ? { mean: 0, sd: tolerances.heightPriorSdMm }
        : { mean: extendedMm, sd: tolerances.extendedSdMm },
  };
}
