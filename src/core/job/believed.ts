import { FaultList, type Checked, type Fault } from '../faults.ts';
import { ratioMap } from '../geometry/ratioMap.ts';
import { referenceKinds } from '../geometry/reference.ts';
import type { BelievedMachine, ContactBelief, Reference, Situation } from '../learn/belief.ts';
import { axleOf, contactPoint, cornerIds, type CornerId } from '../machine/body.ts';
import { checkMachine } from '../machine/check.ts';
import { classDefaults } from '../machine/classes.ts';
import type { ContactDescription, MassDescription, SpringsDescription } from '../machine/description.ts';
import { GRAVITY } from '../machine/solver.ts';
import type { SpringDescription } from '../springs/spring.ts';
import { tolerances } from '../tolerances.ts';
import { cornerSpec, type Source } from './corner.ts';
import { springFrom } from './spring.ts';
import type { JobDocument } from './types.ts';

/** Where the figures of one corner's model come from. */
interface CornerSources {
  springs: Source;
  preload: Source;
  load: Source;
}

export interface JobMachine {
  believed: BelievedMachine;
  sources: Record<CornerId, CornerSources>;
  /** Masses aboard, by load case. */
  aboard: boolean[][];
}

/**
 * The machine of a job with what is not known of it: given figures are as good as such figures usually are, assumed ones
 * are for the class and broad. Faults name places in the document.
 */
export function machineOf(document: JobDocument, read: readonly CornerId[]): Checked<JobMachine> {
  const faults = new FaultList();
  const corners = cornerIds.map((id) => cornerFrom(document, id, faults));
  const loads = document.loads.map(({ name, kg, xMm, yMm }) => ({ name, kg, x: xMm, y: yMm }));
  const machine = checkMachine({
    contacts: corners.map(({ contact }) => contact),
    masses: [...cornerMasses(document), ...loads],
    bars: (['front', 'rear'] as const).flatMap((axle) => {
      const bar = document.bars[axle];
      const letter = axle === 'front' ? 'F' : 'R';
      return bar
        ? [
            {
              between: [`L${letter}`, `R${letter}`] as const,
              rateNPerMm: bar.rateNPerMm,
              offsetMm: 0,
              hooked: bar.hooked,
            },
          ]
        : [];
    }),
  });
  if (!machine.ok) faults.faults.push(...machine.faults.map(inDocument));
  if (faults.faults.length > 0 || !machine.ok) return { ok: false, faults: faults.faults };
  const settling = document.settlingMm ?? 0;
  const loadSd = massSpread(document);
  return {
    ok: true,
    value: {
      sources: Object.fromEntries(
        cornerIds.map((id, i) => [id, corners[i]?.sources]),
      ) as JobMachine['sources'],
      aboard: document.cases.map((_, k) => [
        ...cornerIds.map(() => true),
        ...document.loads.map(({ aboard }) => aboard[k] ?? false),
      ]),
      believed: {
        machine: machine.value,
        references: read.map((id) => referenceOf(document, id)),
        belief: {
          axleRatio: { front: tolerances.ratioPriorSd, rear: tolerances.ratioPriorSd },
          rise: { mean: 0, sd: tolerances.risePriorSd },
          contacts: corners.map(({ belief }) => belief),
          masses: [...cornerIds.map(() => loadSd), ...loads.map(() => tolerances.massSd)],
          bars: machine.value.bars.filter(({ hooked }) => hooked).map(() => tolerances.barSd),
          settling: { all: { mean: settling, sd: 0.4 * settling }, own: 0.15 * settling },
          settlingKm: { mean: Math.log(tolerances.settlingKm), sd: 0 },
        },
      },
    },
  };
}

/** The same job with everything beyond the plain sheet left out: what a model with faults falls back to. */
export function plainly(document: JobDocument): JobDocument {
  const corners = Object.fromEntries(
    cornerIds.map((id) => [
      id,
      {
        ...document.corners[id],
        ratioFrom: null,
        springRatio: null,
        springs: [],
        rings: [],
        preloadMm: null,
        roomMm: null,
        gas: null,
        stopRows: null,
      },
    ]),
  ) as unknown as JobDocument['corners'];
  return { ...document, corners };
}

/** Situation with these seats and mounts, in load case `k`. */
export function situationOf(
  machine: JobMachine,
  seatsMm: readonly number[],
  mountsMm: readonly number[],
  k: number,
): Situation {
  return { seatsMm, mountsMm, km: 0, aboard: machine.aboard[k] ?? machine.aboard[0] ?? [] };
}

/** Faults of the engine's description name contacts by number; the document names corners. */
function inDocument({ path, ...rest }: Fault): Fault {
  const named = path
    .replace(/^contacts\[(\d)\]/, (_, i: string) => `corners.${cornerIds[Number(i)] ?? i}`)
    .replace('.springs.stack.', '.')
    .replace('.ratio.', '.ratioFrom.');
  return { path: named, ...rest };
}

function cornerFrom(
  document: JobDocument,
  id: CornerId,
  faults: FaultList,
): { contact: ContactDescription; belief: ContactBelief; sources: CornerSources } {
  const corner = document.corners[id];
  const spec = cornerSpec(document, id);
  const assumed = classDefaults[document.machine.class];
  const travelMm = spec.travelMm.value;
  const ratio = corner.ratioFrom ?? { kind: 'constant' as const, ratio: spec.ratio.value };
  const springRatio =
    corner.springRatio === null ? null : { kind: 'constant' as const, ratio: corner.springRatio };
  const unsprungKg = corner.unsprungKg ?? assumed.unsprungKg;
  const rest = restingSpring(document, id, springRatio ?? ratio, unsprungKg);
  const springs = fittedSprings(document, id, faults);
  const free = corner.springs.reduce((sum, { freeLengthMm }) => sum + (freeLengthMm ?? NaN), 0);
  const fromRoom =
    corner.roomMm !== null && Number.isFinite(free) && corner.springs.length > 0
      ? free - corner.roomMm
      : null;
  const givenPreload = corner.preloadMm ?? fromRoom;
  const assumedPreloadMm = 0.1 * rest.strokeMm;
  const rate = rest.forceN / (rest.strokeMm + assumedPreloadMm);
  const { x, y } = contactPoint(document.machine, id);
  return {
    contact: {
      name: id,
      axle: axleOf(id),
      x,
      y,
      travelMm,
      ratio,
      springRatio,
      springs: springs ?? plainSpring(rate),
      preloadMm: givenPreload ?? (springs ? preloadFor(springs, rest) : assumedPreloadMm),
      gas: corner.gas,
      stop: corner.stopRows
        ? { contactMm: stopContact(ratio, travelMm, spec.stopMm.value), rows: corner.stopRows }
        : null,
      topOut: null,
      tyreRateNPerMm: corner.tyreRateNPerMm ?? assumed.tyreRateNPerMm,
      unsprungKg,
      padMm: 0,
    },
    belief: {
      ratio: tolerances.ratioTwinSd,
      springs: springs ? corner.springs.map(() => tolerances.springSd) : [tolerances.unknownSpringSd],
      preloadMm: givenPreload === null ? 0.2 * rest.strokeMm : tolerances.preloadSdMm,
      tyre: corner.tyreRateNPerMm === null ? 0.2 : 0.1,
      frictionMm: tolerances.settledFrictionSdMm,
    },
    sources: {
      springs: springs ? 'sheet' : 'assumed',
      preload: corner.preloadMm !== null ? 'measured' : fromRoom !== null ? 'computed' : 'assumed',
      load: corner.loadKg !== null ? 'measured' : document.machine.massKg !== null ? 'sheet' : 'assumed',
    },
  };
}

interface Rest {
  /** N along the spring, and mm of its compression from full droop, at an ordinary ride height. */
  forceN: number;
  strokeMm: number;
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
  const map = safeMap(ratio, travelMm);
  map?.evaluate(z);
  const weightN = Math.max(cornerKg(document, id) - unsprungKg, 5) * GRAVITY;
  const slope = map && map.slope > 0.01 ? map.slope : 0.8;
  return { forceN: weightN / slope, strokeMm: Math.max(map?.value ?? 0.8 * z, 1) };
}

function safeMap(ratio: ContactDescription['ratio'], travelMm: number) {
  const rows = ratio.kind === 'table' ? ratio.rows : null;
  return rows && rows.length < 2 ? null : ratioMap(ratio, travelMm);
}

function fittedSprings(document: JobDocument, id: CornerId, faults: FaultList): SpringsDescription | null {
  const { springs, rings } = document.corners[id];
  if (springs.length === 0) return null;
  const made = springs.map((spring, i) => springFrom(`corners.${id}.springs[${i}]`, spring, faults));
  const known = made.filter((spring): spring is SpringDescription => spring !== null);
  return known.length === made.length ? { kind: 'stack', stack: { springs: known, rings } } : null;
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
  const map = safeMap(ratio, travelMm);
  map?.evaluate(Math.max(travelMm - leftMm, 0));
  return map?.value ?? 0;
}

/** kg on a wheel as measured in, wheel and all: weighed, or a share of the whole. */
export function cornerKg(document: JobDocument, id: CornerId): number {
  const assumed = classDefaults[document.machine.class];
  const own = document.corners[id].loadKg;
  if (own !== null) return own;
  const whole = document.machine.massKg ?? assumed.massKg;
  const front = document.machine.frontShare ?? assumed.frontShare;
  return (whole * (axleOf(id) === 'front' ? front : 1 - front)) / 2;
}

/** Sprung mass over each wheel, without what is named as a load of its own. */
function cornerMasses(document: JobDocument): MassDescription[] {
  const assumed = classDefaults[document.machine.class];
  return cornerIds.map((id) => {
    const { x, y } = contactPoint(document.machine, id);
    const unsprung = document.corners[id].unsprungKg ?? assumed.unsprungKg;
    const named = document.loads.reduce(
      (sum, load) => (load.aboard[0] ? sum + load.kg * shareAt(document, id, load) : sum),
      0,
    );
    return { name: `over ${id}`, kg: Math.max(cornerKg(document, id) - unsprung - named, 1), x, y };
  });
}

/** Share of a load that a wheel carries: straight between the axles, and between left and right. */
function shareAt(document: JobDocument, id: CornerId, { xMm, yMm }: { xMm: number; yMm: number }): number {
  const { x, y } = contactPoint(document.machine, id);
  const along = 0.5 + xMm / (2 * x);
  const across = 0.5 + yMm / (2 * y);
  return Math.max(along, 0) * Math.max(across, 0);
}

function massSpread(document: JobDocument): number {
  if (cornerIds.every((id) => document.corners[id].loadKg !== null)) return tolerances.weighedSd;
  return document.machine.massKg === null ? tolerances.unknownMassSd : tolerances.sharedMassSd;
}

function referenceOf(document: JobDocument, id: CornerId): Reference {
  const { x, y } = contactPoint(document.machine, id);
  const { kind } = document.corners[id].reference;
  return {
    name: id,
    follows: referenceKinds[kind].follows,
    contact: cornerIds.indexOf(id),
    x,
    y,
    constant: { mean: 0, sd: tolerances.heightPriorSdMm },
  };
}
