import { frictionPrior, priors } from '../estimate/prior.ts';
import { FaultList, type Checked } from '../faults.ts';
import type { BelievedMachine, Situation } from '../estimate/belief.ts';
import type { Fit, LengthReading, Reading, RoundEvidence } from '../estimate/fit.ts';
import { fitWithFriction } from '../estimate/friction.ts';
import { checkMachine } from '../machine/check.ts';
import type { ContactDescription } from '../machine/description.ts';
import { decide, type Decision } from './decide.ts';
import { tolerances } from '../tolerances.ts';

export interface NominalCorner {
  name: string;
  axle: 'front' | 'rear';
  x: number;
  y: number;
  ratio: number;
  springs: number[];
  crossover: number | null;
  travel: number;
  tyreRate: number;
  unsprung: number;
  pitch: number;
  collarMin: number;
  collarMax: number;
  collar: number;
  preloadAtZero: number;
}

/** A machine as an installer knows it, in the words of the rounds command. */
export interface Nominal {
  class: string;
  tolerance: number;
  unitStep: number;
  wheelbase: number;
  corners: NominalCorner[];
  masses: { m: number; x: number; y: number }[];
  arbs: { L: string; R: string; k: number }[];
  refs: { name: string; x: number; y: number; target: number; corner: string }[];
}

export interface HistoryRound {
  adjust?: Record<string, number>;
  done?: Record<string, number>;
  drive?: number;
  heights: Record<string, number>;
  travelUsed?: Record<string, number>;
}

export interface RoundsRequest {
  id?: number | string;
  vehicle?: number | string;
  nominal: Nominal;
  history: HistoryRound[];
}

/** What the protocol itself says of its machines: collars, masses, a ratio that rises up to 12 % over the travel, new springs. */
const said = {
  rise: { mean: 0.06, sd: 0.04 },
  preloadMm: 2,
  tyre: 0.1,
  mass: 0.03,
  bar: 0.1,
  travelSdMm: 1.4,
  settling: { all: { mean: 2.5, sd: 1.7 }, own: 0.6 },
  settlingKm: { mean: Math.log(90), sd: 0.7 },
} as const;

/** The machine of a request with what is not known of it, or every fault in it. */
function believedFrom(nominal: Nominal): Checked<BelievedMachine> {
  const contacts = nominal.corners.map(contactFrom);
  const checked = checkMachine({
    contacts,
    masses: nominal.masses.map(({ m, x, y }, i) => ({ name: `mass ${i + 1}`, kg: m, x, y })),
    bars: nominal.arbs.map(({ L, R, k }) => ({ between: [L, R], rateNPerMm: k, offsetMm: 0, hooked: true })),
  });
  if (!checked.ok) return checked;
  const references = nominal.refs.map(({ name, x, y, corner }) => ({
    name,
    follows: 'body' as const,
    contact: Math.max(
      nominal.corners.findIndex((one) => one.name === corner),
      0,
    ),
    x,
    y,
    constant: { mean: 0, sd: tolerances.heightPriorSdMm },
  }));
  return {
    ok: true,
    value: {
      machine: checked.value,
      belief: {
        axleRatio: { front: priors.statedRatio, rear: priors.statedRatio },
        rise: said.rise,
        axleSpring: { front: 0, rear: 0 },
        contacts: nominal.corners.map(({ springs, travel }) => ({
          ratio: { mean: 0, sd: priors.twinRatio },
          springs: springs.map(() => priors.spring),
          preloadMm: said.preloadMm,
          tyre: said.tyre,
          frictionMm: frictionPrior(travel),
        })),
        masses: nominal.masses.map(() => said.mass),
        bars: nominal.arbs.map(() => said.bar),
        steps: [],
        settling: said.settling,
        settlingKm: said.settlingKm,
      },
      references,
    },
  };
}

function contactFrom(corner: NominalCorner): ContactDescription {
  const { name, axle, x, y, ratio, springs, crossover, travel, tyreRate, unsprung, preloadAtZero } = corner;
  const rings =
    crossover === null || springs.length < 2 ? [] : [{ after: 0, limitMm: crossover, on: 'body' as const }];
  return {
    name,
    axle,
    x,
    y,
    travelMm: travel,
    ratio: { kind: 'constant', ratio },
    springRatio: null,
    springs: {
      kind: 'stack',
      stack: { springs: springs.map((rateNPerMm) => ({ kind: 'linear', rateNPerMm, solidMm: null })), rings },
    },
    preloadMm: preloadAtZero,
    gas: null,
    stop: null,
    topOut: null,
    tyreRateNPerMm: tyreRate,
    unsprungKg: unsprung,
    padMm: 0,
  };
}

/** Every fault of a request's shape; numbers of the machine are checked with it. */
function checkRequest(request: RoundsRequest): FaultList {
  const faults = new FaultList();
  const { nominal, history } = request ?? {};
  for (const list of ['corners', 'masses', 'arbs', 'refs'] as const)
    if (!Array.isArray(nominal?.[list])) faults.add(`nominal.${list}`, nominal?.[list], { be: 'a-list' });
  if (!Array.isArray(history) || history.length < 1)
    faults.add('history', history, { be: 'opening-readings' });
  if (faults.faults.length > 0) return faults;
  faults.number('nominal.tolerance', nominal.tolerance, { min: 0, above: true });
  faults.number('nominal.unitStep', nominal.unitStep, { min: 0 });
  nominal.corners.forEach((corner, i) => {
    for (const key of ['pitch', 'collarMin', 'collarMax', 'collar'] as const)
      faults.number(`nominal.corners[${i}].${key}`, corner[key]);
    if (!Array.isArray(corner.springs))
      faults.add(`nominal.corners[${i}].springs`, corner.springs, { be: 'a-list' });
  });
  nominal.refs.forEach((ref, i) => {
    for (const key of ['x', 'y', 'target'] as const) faults.number(`nominal.refs[${i}].${key}`, ref[key]);
    if (!nominal.corners.some(({ name }) => name === ref.corner))
      faults.add(`nominal.refs[${i}].corner`, ref.corner, { be: 'name-of-a-corner' });
  });
  history.forEach((entry, r) => {
    for (const { name } of nominal.refs) {
      const value = entry?.heights?.[name];
      if (value !== undefined) faults.number(`history[${r}].heights.${name}`, value);
    }
    for (const { name } of nominal.corners) {
      const used = entry?.travelUsed?.[name];
      if (used !== undefined) faults.number(`history[${r}].travelUsed.${name}`, used);
      const done = entry?.done?.[name];
      if (done !== undefined) faults.number(`history[${r}].done.${name}`, done);
    }
    if (entry?.drive !== undefined) faults.number(`history[${r}].drive`, entry.drive, { min: 0 });
  });
  return faults;
}

/** What somebody who has followed a vehicle from its first reading knows beside the request. */
export interface Followed {
  /** Collars at the opening readings, by corner. */
  openingCollars: Record<string, number>;
  mayDrive: boolean;
}

/** What all readings of a request say together. */
export function learnFrom(request: RoundsRequest, followed?: Followed): Checked<Fit> {
  const { faults } = checkRequest(request);
  if (faults.length > 0) return { ok: false, faults };
  const { nominal, history } = request;
  const believed = believedFrom(nominal);
  if (!believed.ok) return believed;
  const situations = situationsOf(nominal, history, followed?.openingCollars);
  const evidence = history.map(({ heights, travelUsed }, r): RoundEvidence => ({
    situation: situations[r] as Situation,
    frictionScale: 1,
    readings: readingsOf(nominal, heights, travelUsed ?? {}),
  }));
  return { ok: true, value: fitWithFriction(believed.value, evidence) };
}

/** The answer to one request: the next adjustment, or stop. */
export function answerRequest(request: RoundsRequest, followed?: Followed): Checked<Decision> {
  const learnt = learnFrom(request, followed);
  if (!learnt.ok) return learnt;
  const { nominal, history } = request;
  const now = situationsOf(nominal, history, followed?.openingCollars).at(-1) as Situation;
  return {
    ok: true,
    value: decide({
      fit: learnt.value,
      now,
      targets: nominal.refs.map(({ target }) => target),
      toleranceMm: nominal.tolerance,
      adjusters: nominal.corners.map((corner, contact) => ({
        contact,
        kind: 'seat',
        stepBy: corner.pitch * tolerances.turnStep,
        room: {
          down: Math.min(corner.collarMin - (now.seatsBy[contact] ?? 0), 0),
          up: Math.max(corner.collarMax - (now.seatsBy[contact] ?? 0), 0),
        },
      })),
      groups: nominal.corners.map((_, i) => [i]),
      roundsDone: history.length - 1,
      mayDrive: followed?.mayDrive ?? true,
    }),
  };
}

/** Where the collars stood and what had been driven in every round, from the opening collars on. */
function situationsOf(
  nominal: Nominal,
  history: readonly HistoryRound[],
  opening?: Record<string, number>,
): Situation[] {
  const done = history.map((entry) =>
    nominal.corners.map(({ name }) => entry.done?.[name] ?? entry.adjust?.[name] ?? 0),
  );
  let km = 0;
  const seats = nominal.corners.map(({ name, collar }) => opening?.[name] ?? collar);
  return history.map((entry, r) => {
    km += entry.drive ?? 0;
    if (r > 0) done[r]?.forEach((move, i) => (seats[i] = (seats[i] ?? 0) + move));
    return { seatsBy: [...seats], mountsMm: seats.map(() => 0), km, aboard: nominal.masses.map(() => true) };
  });
}

function readingsOf(
  nominal: Nominal,
  heights: Record<string, number>,
  travelUsed: Record<string, number>,
): Reading[] {
  const rounding = nominal.unitStep / Math.sqrt(12);
  const tape = Math.hypot(tolerances.tapeSdMm, rounding);
  const read = (
    list: readonly { name: string }[],
    values: Record<string, number>,
    what: LengthReading['what'],
    sdMm: number,
  ) =>
    list.flatMap(({ name }, index): Reading[] => {
      const mm = values[name];
      return mm === undefined ? [] : [{ what, index, mm, sdMm }];
    });
  return [
    ...read(nominal.refs, heights, 'height', tape),
    ...read(nominal.corners, travelUsed, 'travel', Math.hypot(said.travelSdMm, rounding)),
  ];
}
