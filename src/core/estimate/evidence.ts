import { situationOf, type JobMachine } from './believed.ts';
import { cornerSpec } from './corner.ts';
import { blurOf } from '../document/checks.ts';
import { isAssembledIn } from './fittedIn.ts';
import { ratioSince, type Round, type RoundsState } from './rounds.ts';
import { newParts } from '../kinds/newParts.ts';
import { repeatSd } from '../document/repeats.ts';
import type { JobDocument } from '../document/types.ts';
import type { Situation } from './belief.ts';
import type { Fit, Reading, RoundEvidence } from './fit.ts';
import type { CornerId } from '../kinds/corners.ts';
import { GRAVITY } from '../machine/solver.ts';
import { extendedOf, extendedSds, sagEvidence } from './sagEvidence.ts';
import { tolerances } from '../tolerances.ts';

/** kg, absolute. No wheel is weighed better: the floor and friction see to that. */
const LEAST_SCALE_KG = 1.5;
/** relative. What a set of pads is off from each other, whoever reads them. */
const PAD_SCALE_SD = 0.003;
/** mm, absolute. The same when nobody said that it was settled: weak evidence. */
const UNSETTLED_FRICTION_SD_MM = 4;

/** What was read, by how the machine stood then (adjusters in mm from the baseline). */
export interface Evidence {
  /** One for every round, in the load that is measured in. */
  rounds: RoundEvidence[];
  /** Readings of the sag bench, and pads in other load cases, each with what was aboard. */
  sag: RoundEvidence[];
}

/** Everything that was read in every round. */
export function evidenceOf(
  document: JobDocument,
  machine: JobMachine,
  state: RoundsState,
  read: readonly CornerId[],
): Evidence {
  const { corners } = machine;
  const add = (list: number[], of: (id: CornerId) => number | undefined) =>
    corners.map((id, i) => (list[i] ?? 0) + (of(id) ?? 0));
  const blur = blurOf(document, state.skipped);
  let seats = corners.map(() => 0);
  let mounts = corners.map(() => 0);
  let rings = corners.map((id) => document.corners[id].rings.map(() => 0));
  let km = 0;
  const extendedMm = extendedOf(document, state);
  const extendedSdMm = extendedSds(document, state);
  const sag: RoundEvidence[] = [];
  const rounds = state.rounds.map((round): RoundEvidence => {
    const era = eraOf(state.rounds, round);
    if (round.fitted.some(({ part }) => newParts[part].settles)) km = 0;
    km += kmOf(round);
    const from = <T>(list: T[], anew: T) =>
      list.map((one, i) => (isAssembledIn(round, corners[i] as CornerId) ? anew : one));
    seats = add(from(seats, 0), (id) => round.moves[id]);
    mounts = add(from(mounts, 0), (id) => round.mounts[id]);
    rings = from(rings, []).map((list, i) => ringsAfter(document, round, corners[i] as CornerId, list));
    const situation = {
      ...situationOf(
        machine,
        seats,
        mounts,
        rings.some((list) => list.length) ? rings : undefined,
        round.loadCase,
      ),
      km,
      ...(era > 0 && { era }),
      ...floorOf(document, round, corners),
    };
    if (era === 0) {
      sag.push(...padEvidence(document, machine, round, situation));
      sag.push(...sagEvidence(document, machine, { round, situation, extendedMm, extendedSdMm }, read));
    }
    return {
      situation,
      readings: readingsOf(document, machine, { state, round, era }, read),
      frictionScale:
        blur * (round.settled === null ? UNSETTLED_FRICTION_SD_MM / tolerances.settledFrictionSdMm : 1),
    };
  });
  return { rounds, sag };
}

/**
 * How far all pictures of a corner may be out together, mm: the least of what they say, as they share it; nothing where there is none.
 */
export function sharedByPictures({ rounds }: RoundsState, id: CornerId): number {
  const sds = rounds.flatMap(({ heightsPictured }) =>
    (heightsPictured[id] ?? []).flatMap((picture) => (picture ? [picture.sharedSdMm] : [])),
  );
  return sds.length === 0 ? 0 : Math.min(...sds);
}

/** Where a round was read on another place of the floor: by how much that lies otherwise under each wheel. */
function floorOf(
  document: JobDocument,
  { floor }: Round,
  corners: readonly CornerId[],
): Pick<Situation, 'floorBy'> {
  if (!floor) return {};
  return { floorBy: corners.map((id) => (floor.floorMm[id] ?? 0) - (document.corners[id].floorMm ?? 0)) };
}

/** How many times something was fitted after a round. */
function eraOf(rounds: readonly Round[], { round }: Round): number {
  return rounds.filter((one) => one.round > round && one.fitted.length > 0).length;
}

/** km. Days of standing and being moved about settle springs and bushes about as much as so short a drive. */
const STOOD_KM = 100;

/** What a round counts for as driven, km: one in which nothing was turned is another day's, and that is never nothing. */
function kmOf({ drivenKm, moves, mounts, rings }: Round): number {
  const turned = [moves, mounts, rings].some((done) => Object.keys(done).length > 0);
  return drivenKm === null || turned ? (drivenKm ?? 0) : Math.max(drivenKm, STOOD_KM);
}

/**
 * Where a corner's rings stand after a round, mm towards the springs. One that follows the seat does so unless somebody
 * says how far it went; its place is counted from where it would then be.
 */
function ringsAfter(document: JobDocument, round: Round, id: CornerId, before: readonly number[]): number[] {
  return document.corners[id].rings.map(({ on }, j) => {
    const moved = round.rings[id]?.[String(j)];
    const followed = on === 'seat' ? (round.moves[id] ?? 0) : 0;
    return (before[j] ?? 0) + (moved === undefined ? 0 : moved - followed);
  });
}

function readingsOf(
  document: JobDocument,
  { corners }: JobMachine,
  { state, round, era }: { state: RoundsState; round: Round; era: number },
  read: readonly CornerId[],
): Reading[] {
  // Of a wheel that moves its damper otherwise now, what was read then says nothing.
  const tells = (id: CornerId) => round.round >= ratioSince(state.rounds, id);
  const heights = read.flatMap((id, index) =>
    (tells(id) ? (round.heights[id] ?? []) : []).map((mm, k): Reading => {
      const repeat = repeatSd(round.heights[id] ?? []);
      const picture = round.heightsPictured[id]?.[k] ?? null;
      const agree = repeat <= tolerances.tapeSdMm;
      return {
        what: 'height',
        index,
        mm: mm + cornerSpec(document, id).offsetMm,
        sdMm: picture && agree ? picture.ownSdMm : repeat,
        ...(picture && { by: 'picture' as const }),
      };
    }),
  );
  // Of other springs heights tell the ratio; what was carried, and how far down, was theirs.
  if (era > 0) return heights;
  const used = corners.flatMap((id, index): Reading[] => {
    const mm = round.travelUsed[id];
    return mm === undefined ? [] : [{ what: 'travel', index, mm, sdMm: tolerances.travelUsedSdMm }];
  });
  // What the description has of weights was weighed as measured, where the baseline was read, unless the pads were read
  // themselves.
  const weighed = corners.flatMap((id, index): Reading[] => {
    const { loadKg } = document.corners[id];
    const read = round.pads[id];
    if (read) return padReadings(index, read, document.corners[id].padFactor);
    if (round.round !== state.base || round.loadCase !== 0 || loadKg === null) return [];
    const sdN = Math.max(tolerances.weighedSd * loadKg, LEAST_SCALE_KG) * GRAVITY;
    return [{ what: 'pad', index, forceN: loadKg * GRAVITY, sdN }];
  });
  return [...heights, ...used, ...weighed];
}

/**
 * Repeats on one pad. What pads are off from each other all repeats share, so that n of them together are off by
 * sqrt(u^2 + v^2 / n), u of the pad and v of each reading: each is given sqrt(n) times that.
 */
function padReadings(index: number, read: readonly number[], factor: number | null): Reading[] {
  const n = read.length;
  return read.map((shown): Reading => {
    const kg = shown / (factor ?? 1);
    const repeat = Math.max(tolerances.padRepeatSd * kg, tolerances.padStepKg);
    const sdKg = Math.sqrt(n) * Math.hypot(PAD_SCALE_SD * kg, repeat / Math.sqrt(n));
    return { what: 'pad', index, forceN: kg * GRAVITY, sdN: sdKg * GRAVITY };
  });
}

/** Pads read with something else on board than what is measured with. */
function padEvidence(
  document: JobDocument,
  { corners, aboard }: JobMachine,
  round: Round,
  situation: Situation,
): RoundEvidence[] {
  return Object.entries(round.padsIn).flatMap(([k, pads]): RoundEvidence[] => {
    const on = aboard[Number(k)];
    if (!on) return [];
    const readings = corners.flatMap((id, index) =>
      padReadings(index, pads[id] ?? [], document.corners[id].padFactor),
    );
    return [{ situation: { ...situation, aboard: on }, readings, frictionScale: 1 }];
  });
}

/** A reading that does not agree with the rest. */
export type Stray = {
  round: number;
  corner: CornerId;
  /** How much it still counts, 0 to 1. */
  weight: number;
} & ({ what: 'height' | 'travel'; mm: number } | { what: 'pad'; forceN: number });

/** Readings that were weighed down, by round and corner. */
export function straysOf(
  rounds: readonly RoundEvidence[],
  learnt: Fit,
  { corners }: JobMachine,
  read: readonly CornerId[],
): Stray[] {
  return rounds.flatMap(({ readings }, round) =>
    readings.flatMap((one, k): Stray[] => {
      const weight = learnt.weights[round]?.[k] ?? 1;
      const corner = one.what === 'height' ? read[one.index] : corners[one.index];
      if (weight >= 1 || !corner) return [];
      const place = { round, corner, weight };
      return one.what === 'pad'
        ? [{ ...place, what: one.what, forceN: one.forceN }]
        : [{ ...place, what: one.what, mm: one.mm }];
    }),
  );
}
