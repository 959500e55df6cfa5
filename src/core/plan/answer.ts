import { machineOf, plainly, situationOf, type JobMachine } from '../job/believed.ts';
import { cornerSpec, toleranceOf, type Sourced } from '../job/corner.ts';
import { collarNow, readRounds, type PerCorner, type Round, type RoundsState } from '../job/rounds.ts';
import type { JobDocument, JobRecord } from '../job/types.ts';
import type { Fault } from '../faults.ts';
import type { Situation } from '../learn/belief.ts';
import { fit, type Fit, type Reading, type RoundEvidence } from '../learn/fit.ts';
import { gainsOf, type LearntGain } from '../learn/gains.ts';
import { predict, type Prediction } from '../learn/predict.ts';
import { simulate } from '../learn/simulate.ts';
import { axleOf, cornerIds, twinOf, warp, type CornerId } from '../machine/body.ts';
import type { Axle } from '../machine/classes.ts';
import { at, entry } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';
import { aimFor, type Adjuster, type AimSolution } from './aim.ts';
import { chanceWithin } from './chance.ts';
import type { CornerAnswer } from './cornerAnswer.ts';
import { threadRoom } from './limits.ts';
import { reasonsFor, type Reason } from './reasons.ts';

/** What the readings say, beside the heights. */
interface Learnt {
  gains: Record<Axle, LearntGain>;
  /** Heights without friction in every round, by corner in the order of `corners`. */
  heightsByRound: number[][];
  /** Readings that do not agree with the rest, by round and corner: how much each still counts, 0 to 1. */
  strays: { round: number; corner: CornerId; what: Reading['what']; mm: number; weight: number }[];
}

export interface Answer {
  state: RoundsState;
  tolerance: Sourced;
  corners: CornerAnswer[];
  posterior: Learnt;
  /** Whether all four corners are read; before that an unread corner is taken to move as its twin does. */
  wholeBody: boolean;
  /** Faults in what is fitted: while there are any, the figures are those of the plain sheet. */
  faults: Fault[];
  chanceNow: number | null;
  chanceAfter: number | null;
  reasons: Reason[];
  /** The job as it was worked out: without what is fitted where that has faults. */
  document: JobDocument;
  machine: JobMachine;
  fit: Fit;
  /** Seats and mounts now and after the plan, as measured. */
  now: Situation;
  after: Situation;
  /** After the plan, as the specification means it: its load case, new springs settled. */
  specifiedAfter: Situation;
}

/** Works out everything the sheet shows from a job's record. Null while no height has been read. */
export function answerFor(record: JobRecord): Answer | null {
  const state = readRounds(record);
  const read = cornerIds.filter((id) => state.rounds[0]?.heights[id] !== undefined);
  if (read.length === 0) return null;
  const { document, machine, faults } = usableMachine(record.document, read);
  const rounds = evidenceOf(document, machine, state, read);
  const learnt = fit(machine.believed, rounds);
  const now = (rounds.at(-1) as RoundEvidence).situation;
  const specified = meetAt(document, machine);
  const corners = cornersNow({ document, state, learnt, machine, read, now });
  const plan = state.locked ? null : planFor(document, learnt, now, specified, corners);
  const after = plan ? { ...now, seatsMm: plan.to.seatsMm, mountsMm: plan.to.mountsMm } : now;
  const targets = corners.map(({ spec }) => spec.targetMm);
  const tolerance = toleranceOf(document);
  const chance = (situation: Situation) =>
    targets.some((target) => target !== null)
      ? chanceWithin(predict(learnt, { ...situation, ...specified }), targets, tolerance.value)
      : null;
  const moved = withMoves(corners, { learnt, now, after, specified, moves: seatMoves(plan, corners) });
  return {
    state,
    tolerance,
    corners: moved,
    posterior: {
      gains: gainsOf(learnt),
      heightsByRound: rounds.map(
        ({ situation }) => simulate(machine.believed, learnt.values, situation).heights,
      ),
      strays: straysOf(rounds, learnt, read),
    },
    wholeBody: read.length === cornerIds.length,
    faults,
    chanceNow: chance(now),
    chanceAfter: plan ? plan.chance : chance(now),
    reasons: reasonsFor({
      corners: moved,
      neededMm: plan ? corners.map((_, i) => plan.freeMm[i] ?? 0) : corners.map(() => 0),
      warpMm: plan ? warpOf(document, corners) : corners.map(() => 0),
      tied: document.equalSides,
      toleranceMm: tolerance.value,
    }),
    document,
    machine,
    fit: learnt,
    now,
    after,
    specifiedAfter: { ...after, ...specified },
  };
}

/** The machine as described, or the plain sheet's where what is fitted contradicts itself. */
function usableMachine(
  document: JobDocument,
  read: readonly CornerId[],
): { document: JobDocument; machine: JobMachine; faults: Fault[] } {
  const machine = machineOf(document, read);
  if (machine.ok) return { document, machine: machine.value, faults: [] };
  const plain = machineOf(plainly(document), read);
  if (!plain.ok) throw new Error(`expected the plain sheet to be sound, got ${plain.faults[0]?.path}`);
  return { document: plainly(document), machine: plain.value, faults: machine.faults };
}

/** What the targets are for: the second load case, with new springs settled. */
function meetAt(document: JobDocument, machine: JobMachine): Pick<Situation, 'km' | 'aboard'> {
  const aboard = machine.aboard[1] ?? machine.aboard[0] ?? [];
  const differs = document.loads.some((load) => load.aboard[0] !== load.aboard[1]);
  return {
    km: document.settlingMm ? tolerances.settledKm : 0,
    aboard: differs ? aboard : (machine.aboard[0] ?? []),
  };
}

/** What was read in every round, with seats as they stood then (mm from the baseline). */
export function evidenceOf(
  document: JobDocument,
  machine: JobMachine,
  state: RoundsState,
  read: readonly CornerId[],
): RoundEvidence[] {
  const seats = cornerIds.map(() => 0);
  return state.rounds.map((round) => {
    cornerIds.forEach((id, i) => (seats[i] = (seats[i] ?? 0) + (round.moves[id] ?? 0)));
    return {
      situation: situationOf(
        machine,
        [...seats],
        cornerIds.map(() => 0),
        0,
      ),
      readings: readingsOf(document, round, read),
      frictionScale:
        round.settled === null ? tolerances.unsettledFrictionSdMm / tolerances.settledFrictionSdMm : 1,
    };
  });
}

function readingsOf(document: JobDocument, round: Round, read: readonly CornerId[]): Reading[] {
  const heights = read.flatMap((id, index) =>
    (round.heights[id] ?? []).map((mm): Reading => ({
      what: 'height',
      index,
      mm: mm + cornerSpec(document, id).offsetMm,
      sdMm: tolerances.tapeSdMm,
    })),
  );
  const used = cornerIds.flatMap((id, index): Reading[] => {
    const mm = round.travelUsed[id];
    return mm === undefined ? [] : [{ what: 'travel', index, mm, sdMm: tolerances.travelUsedSdMm }];
  });
  return [...heights, ...used];
}

function straysOf(
  rounds: readonly RoundEvidence[],
  learnt: Fit,
  read: readonly CornerId[],
): Learnt['strays'] {
  return rounds.flatMap(({ readings }, round) =>
    readings.flatMap(({ what, index, mm }, k) => {
      const weight = learnt.weights[round]?.[k] ?? 1;
      const corner = what === 'height' ? read[index] : cornerIds[index];
      return weight < 1 && corner ? [{ round, corner, what, mm, weight }] : [];
    }),
  );
}

type CornerNow = Omit<
  CornerAnswer,
  | 'seatMm'
  | 'turns'
  | 'stopAtMm'
  | 'predictedMm'
  | 'predictedSdMm'
  | 'travelAfterMm'
  | 'nowSpecMm'
  | 'specMm'
  | 'specSdMm'
>;

interface NowInput {
  document: JobDocument;
  state: RoundsState;
  learnt: Fit;
  machine: JobMachine;
  read: readonly CornerId[];
  now: Situation;
}

function cornersNow({ document, state, learnt, machine, read, now }: NowInput): CornerNow[] {
  const here = predict(learnt, now);
  const { solver } = here.outcome;
  return read.map((id, r) => {
    const i = cornerIds.indexOf(id);
    const spec = cornerSpec(document, id);
    const collarMm = collarNow(state.rounds, id, spec.readingSign);
    const sources = machine.sources[id];
    const measured = state.rounds.some(({ travelUsed }) => travelUsed[id] !== undefined);
    const known =
      sources.springs !== 'assumed' && sources.preload !== 'assumed' && sources.load !== 'assumed';
    return {
      id,
      spec,
      nowMm: entry(here.mean, r),
      nowSdMm: Math.sqrt(at(here.covariance, r, r)),
      gain: 1 / (solver.corners[i]?.ratioAt(solver.z[i] ?? 0) ?? 1),
      travelNow: {
        value: entry(here.travel, i),
        source: measured ? 'measured' : known ? 'computed' : 'assumed',
      },
      travelSdMm: entry(here.travelSd, i),
      collarMm,
      room: threadRoom(spec, collarMm),
    };
  });
}

function planFor(
  document: JobDocument,
  learnt: Fit,
  now: Situation,
  specified: Pick<Situation, 'km' | 'aboard'>,
  corners: readonly CornerNow[],
): AimSolution {
  const adjusters = [...corners.map(adjusterOf), ...followers(corners)];
  return aimFor({
    fit: learnt,
    from: now,
    meetAt: specified,
    targets: corners.map(({ spec }) => spec.targetMm),
    weights: corners.map(() => 1),
    toleranceMm: toleranceOf(document).value,
    adjusters,
    groups: groupsOf(adjusters, document.equalSides),
    draws: corners.some(({ id }) => document.corners[id].springs.length > 0) ? tolerances.pageDraws : 0,
  });
}

function adjusterOf({ id, spec, room }: CornerNow): Adjuster {
  return { contact: cornerIds.indexOf(id), kind: 'seat', stepMm: spec.stepMm.value, room };
}

/** Corners nobody has read yet move as their read twin does, so that the read one's plan is that of its axle. */
function followers(corners: readonly CornerNow[]): Adjuster[] {
  return corners.flatMap((corner) => {
    const twin = twinOf(corner.id);
    if (corners.some(({ id }) => id === twin)) return [];
    return [{ ...adjusterOf(corner), contact: cornerIds.indexOf(twin) }];
  });
}

function groupsOf(adjusters: readonly Adjuster[], tied: boolean): number[][] {
  const idOf = ({ contact }: Adjuster) => cornerIds[contact] as CornerId;
  const axles = (['front', 'rear'] as const).map((axle) =>
    adjusters.flatMap((one, j) => (axleOf(idOf(one)) === axle ? [j] : [])),
  );
  const unread = (group: readonly number[]) =>
    new Set(group.map((j) => adjusters[j]?.room)).size < group.length;
  return axles.flatMap((group) =>
    group.length > 0 && (tied || unread(group)) ? [group] : group.map((j) => [j]),
  );
}

function seatMoves(plan: AimSolution | null, corners: readonly CornerNow[]): number[] {
  return corners.map((_, i) => plan?.movesMm[i] ?? 0);
}

/** The part of the wanted rises that no plane follows. */
function warpOf(document: JobDocument, corners: readonly CornerNow[]): number[] {
  const wanted = corners.map(({ spec, nowMm }) => (spec.targetMm === null ? null : spec.targetMm - nowMm));
  if (wanted.length < cornerIds.length || wanted.some((value) => value === null)) return wanted.map(() => 0);
  return warp(
    document.machine,
    wanted.map((value) => value ?? 0),
  );
}

interface Moving {
  learnt: Fit;
  now: Situation;
  after: Situation;
  specified: Pick<Situation, 'km' | 'aboard'>;
  moves: readonly number[];
}

function withMoves(
  corners: readonly CornerNow[],
  { learnt, now, after, specified, moves }: Moving,
): CornerAnswer[] {
  const next = predict(learnt, after);
  const nowSpec = simulate(learnt.believed, learnt.values, { ...now, ...specified });
  const same = specified.km === after.km && specified.aboard.every((aboard, k) => aboard === after.aboard[k]);
  const spec: Prediction = same ? next : predict(learnt, { ...after, ...specified });
  return corners.map((corner, r) => {
    const seatMm = entry(moves, r);
    return {
      ...corner,
      seatMm,
      turns: seatMm / corner.spec.pitchMm.value,
      stopAtMm: corner.collarMm === null ? null : corner.collarMm + corner.spec.readingSign * seatMm,
      predictedMm: entry(next.mean, r),
      predictedSdMm: Math.sqrt(at(next.covariance, r, r)),
      travelAfterMm: entry(next.travel, cornerIds.indexOf(corner.id)),
      nowSpecMm: entry(nowSpec.heights, r),
      specMm: entry(spec.mean, r),
      specSdMm: Math.sqrt(at(spec.covariance, r, r)),
    };
  });
}

/** The answers by corner. */
export function byCorner(answer: Answer | null): PerCorner<CornerAnswer> {
  return Object.fromEntries((answer?.corners ?? []).map((corner) => [corner.id, corner]));
}
