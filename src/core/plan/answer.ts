import { airTaken, isPlaceAssumed } from '../document/taken.ts';
import { machineOf, plainly, type JobMachine, type MachineOptions } from '../estimate/believed.ts';
import { cornerSpec, toleranceOf } from '../estimate/corner.ts';
import { collarNow, readRounds, type PerCorner, type RoundsState } from '../estimate/rounds.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';
import type { Fault } from '../faults.ts';
import type { Situation } from '../learn/belief.ts';
import type { RoundEvidence } from '../learn/fit.ts';
import { estimateOf, misfitKey, type Doubt, type Evidence } from '../estimate/estimate.ts';
import { gainsOf } from '../learn/gains.ts';
import { predict, type Prediction } from '../learn/predict.ts';
import { simulate } from '../learn/simulate.ts';
import { axleOf, sideOf, twinOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { warp } from '../machine/body.ts';
import { classDefaults } from '../kinds/classes/index.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { at, entry } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';
import { camAt, leastEngaged, seatRoom } from './adjusters.ts';
import type { Answer } from './answerShape.ts';
import { chanceIn } from './landing.ts';
import { extendedOf, sagRead } from '../estimate/sagEvidence.ts';
import { goodEnough } from './enough.ts';
import { oneCornerOff } from '../estimate/oneCorner.ts';
import {
  isMoved,
  scalesWanted,
  type CornerAnswer,
  type CornerMove,
  type CrossAnswer,
} from './cornerAnswer.ts';
import { evidenceOf, straysOf } from '../estimate/evidence.ts';
import { extraValue } from './goals.ts';
import {
  padGoals,
  planFor,
  type CornerNow,
  type Plan,
  type PlanChoice,
  type Setting,
  type SpecifiedAs,
} from './planning.ts';
import { reasonsFor } from './reasons.ts';
import { withTried, type Tried } from './tried.ts';
import { withSwaps, type Swaps } from './swaps.ts';
import { ringGaps } from './rings.ts';

export type { Answer } from './answerShape.ts';

interface AnswerOptions {
  /** False leaves everything as it is: "after" is as it stands. */
  planned?: boolean;
  /** Other springs in from now on: what was read before is still of the old ones. */
  swaps?: Swaps;
}

/** Works out everything the sheet shows from a job's record. Null while no height has been read. */
export function answerFor(
  record: JobRecord,
  { planned = true, swaps = {} }: AnswerOptions = {},
): Answer | null {
  const state = readRounds(record);
  const all = cornersIn(record.document);
  const sagged = sagRead(state);
  // A corner that is read for the first time in a later round counts from then on.
  const read = all.filter(
    (id) => state.rounds.some(({ heights }) => heights[id] !== undefined) || sagged.includes(id),
  );
  if (read.length === 0) return null;
  const driven = state.rounds.some(({ drivenKm }) => drivenKm !== null);
  const extendedMm = extendedOf(record.document, state);
  const {
    document,
    machine: described,
    faults,
  } = usableMachine(record.document, read, {
    driven,
    extendedMm,
    measuredRatio: state.measuredRatio,
    travelRead: all.filter((id) => state.rounds.some(({ travelUsed }) => travelUsed[id] !== undefined)),
  });
  const { rounds: recorded, sag } = evidenceOf(document, described, state, read);
  const readingSigns = Object.fromEntries(all.map((id) => [id, cornerSpec(document, id).readingSign]));
  const told = { rounds: recorded, sag, state, read, readingSigns };
  const estimated = estimateOf(described, told);
  const { machine, rounds } = estimated;
  const doubt = withOneCorner(estimated.doubt, document, state);
  // Of springs that are not in, nothing was read that could be otherwise.
  const otherwise = Object.keys(swaps).length > 0 ? [] : estimated.otherwise;
  const learnt = withSwaps(estimated.fit, machine.corners, swaps);
  const predictAt = remembered((situation) => predict(learnt, situation));
  const now = (rounds.at(-1) as RoundEvidence).situation;
  const specified = meetAt(document, machine, now.km);
  const setting = { document, machine, state, learnt, read, now, specified, predictAt, doubt, otherwise };
  const corners = cornersNow(setting);
  const asked = doubt.suspicions.some(({ misfit }) => misfit.code === 'one-corner');
  const plan = state.locked || !planned || asked ? null : planFor(setting, corners);
  const tolerance = toleranceOf(document);
  const chanceNow = chanceIn(setting, { ...now, ...specified });
  const answered = (by: Plan | null): Answer => {
    const after = by ? { ...by.to, km: now.km, level: now.level, aboard: now.aboard } : now;
    const moved = withMoves(setting, corners, after);
    const cross = crossOf(setting, after);
    return {
      state,
      tolerance,
      corners: moved,
      posterior: {
        gains: Object.fromEntries(
          gainsOf(learnt, state.current).map((gain, i) => [machine.corners[i], gain]),
        ),
        heightsByRound: rounds.map(
          ({ situation }) => simulate(machine.believed, learnt.values, situation).heights,
        ),
        strays: straysOf(rounds, learnt, machine, read),
      },
      unread: unreadMoves(setting, corners, after),
      wholeBody: read.length === all.length,
      faults,
      chanceNow,
      chanceAfter: chanceIn(setting, { ...after, ...specified }),
      cross,
      reasons: by
        ? reasonsFor({
            corners: moved,
            document,
            needs: needsOf(by, machine),
            springs: springsAfter(machine, by),
            warpMm: warpOf(document, corners),
            cross,
            toleranceMm: tolerance.value,
          })
        : [],
      document,
      machine,
      fit: learnt,
      doubt,
      otherwise,
      now,
      after,
      specifiedAfter: { ...after, ...specified },
      expectedNow: once(() => expectedIn(described, told)),
      predictAt,
    };
  };
  const whole = answered(plan);
  // What is done is left alone: nobody takes a wheel off for half a millimetre. Weight can always be had a little nearer.
  const onlyHeights =
    scalesWanted(whole.cross) === null &&
    whole.corners.every(({ rings }) => rings.every(({ moveMm }) => moveMm === 0));
  return plan && onlyHeights && goodEnough(whole) ? answered(null) : whole;
}

/**
 * What the newest round should read, as it was really set: the machine that all earlier readings tell of, with what friction
 * and the tape add to a reading.
 */
function expectedIn(
  machine: JobMachine,
  { rounds, sag, state, read, readingSigns }: Evidence,
): PerCorner<{ mm: number; sdMm: number }> {
  const last = rounds.length - 1;
  const latest = rounds[last];
  if (last < 1 || !latest) return {};
  const before = { ...state, rounds: state.rounds.slice(0, last) };
  const { fit, machine: known } = estimateOf(machine, {
    rounds: rounds.slice(0, last),
    sag,
    state: before,
    read,
    readingSigns,
  });
  const { mean, covariance } = predict({ ...fit, believed: known.believed }, latest.situation);
  return Object.fromEntries(
    read.map((id, r) => {
      const contact = machine.corners.indexOf(id);
      const friction = machine.believed.belief.contacts[contact]?.frictionMm ?? 0;
      return [
        id,
        {
          mm: entry(mean, r),
          sdMm: Math.hypot(Math.sqrt(at(covariance, r, r)), friction, tolerances.tapeSdMm),
        },
      ];
    }),
  );
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/**
 * The answer with seats and rings where somebody tries them by hand, in place of the plan's. What was read and learnt
 * stays; reasons are the plan's own and are left out.
 */
export function triedAnswer(answer: Answer, tried: Tried): Answer {
  const setting = settingOf(answer);
  const { specified } = setting;
  const after = withTried(answer.after, answer.machine.corners, tried);
  return {
    ...answer,
    corners: withMoves(setting, answer.corners, after),
    unread: unreadMoves(setting, answer.corners, after),
    chanceAfter: chanceIn(setting, { ...after, ...specified }),
    cross: crossOf(setting, after),
    reasons: [],
    after,
    specifiedAfter: { ...after, ...specified },
  };
}

/** The answer planned anew as somebody settles it: the scales weighed otherwise against the heights, or corners left alone. */
export function answerBy(answer: Answer, choice: PlanChoice): Answer {
  return plannedIn(settingOf(answer), answer, choice);
}

/** The answer planned anew for what else may be aboard when its targets are to be met: another rider, luggage. */
export function answerRidden(answer: Answer, aboard: readonly boolean[]): Answer {
  const setting = settingOf(answer);
  return plannedIn({ ...setting, specified: { ...setting.specified, aboard } }, answer);
}

function plannedIn(setting: Setting, answer: Answer, choice?: PlanChoice): Answer {
  const plan = planFor(setting, answer.corners, choice);
  const { km, level, aboard } = answer.now;
  const after = { ...plan.to, km, level, aboard };
  return {
    ...answer,
    corners: withMoves(setting, answer.corners, after),
    unread: unreadMoves(setting, answer.corners, after),
    chanceAfter: chanceIn(setting, { ...after, ...setting.specified }),
    cross: crossOf(setting, after),
    reasons: [],
    after,
    specifiedAfter: { ...after, ...setting.specified },
  };
}

function settingOf({
  document,
  machine,
  state,
  fit: learnt,
  now,
  specifiedAfter,
  predictAt,
  corners,
  doubt,
  otherwise,
}: Answer): Setting {
  const { km, level, aboard } = specifiedAfter;
  const read = corners.map(({ id }) => id);
  const specified = { km, level, aboard };
  return { document, machine, state, learnt, read, now, specified, predictAt, doubt, otherwise };
}

function remembered(of: (situation: Situation) => Prediction): (situation: Situation) => Prediction {
  const known = new Map<string, Prediction>();
  return (situation) => {
    const { seatsBy, mountsMm, ringsMm, km, level, aboard } = situation;
    const key = [seatsBy, mountsMm, ringsMm?.join('/') ?? '', km, level, aboard].join(';');
    const found = known.get(key) ?? of(situation);
    known.set(key, found);
    return found;
  };
}

/** The machine as described, or the plain sheet's where what is fitted contradicts itself. */
function usableMachine(
  document: JobDocument,
  read: readonly CornerId[],
  options: MachineOptions,
): { document: JobDocument; machine: JobMachine; faults: Fault[] } {
  const machine = machineOf(document, read, options);
  if (machine.ok) return { document, machine: machine.value, faults: [] };
  const plain = machineOf(plainly(document), read, options);
  if (!plain.ok) throw new Error(`expected the plain sheet to be sound, got ${plain.faults[0]?.path}`);
  return { document: plainly(document), machine: plain.value, faults: machine.faults };
}

/** What the targets are for: the second load case on a level floor, with new springs settled. */
function meetAt(document: JobDocument, machine: JobMachine, drivenKm: number): SpecifiedAs {
  return {
    km: document.settlingMm || drivenKm > 0 ? tolerances.settledKm : 0,
    level: cornersIn(document).some((id) => document.corners[id].floorMm !== null) ? true : undefined,
    aboard: machine.aboard[1] ?? machine.aboard[0] ?? [],
  };
}

/** Whether a collar is taken to stand elsewhere than the record says, and was not read since. */
function isCollarDoubted({ adopted }: Doubt, { rounds }: RoundsState, id: CornerId): boolean {
  return (
    adopted?.code === 'turned-other-way' &&
    adopted.corner === id &&
    rounds.every(({ round, collars }) => round < adopted.round || collars[id] === undefined)
  );
}

function cornersNow({ document, state, machine, read, now, learnt, predictAt, doubt }: Setting): CornerNow[] {
  const here = predictAt(now);
  const { solver } = here.outcome;
  return read.map((id, r) => {
    const i = machine.corners.indexOf(id);
    const measuredRatio = state.measuredRatio[axleOf(id)];
    const described = cornerSpec(document, id);
    const spec = measuredRatio
      ? { ...described, ratio: { value: measuredRatio.ratio, source: 'measured' as const } }
      : described;
    const collarMm = isCollarDoubted(doubt, state, id) ? null : collarNow(state.rounds, id, spec.readingSign);
    const sources = machine.sources[id];
    const measured = state.rounds.some(({ travelUsed }) => travelUsed[id] !== undefined);
    const known =
      sources.springs !== 'assumed' && sources.preload !== 'assumed' && sources.load !== 'assumed';
    const source = measured ? 'measured' : known ? 'computed' : 'assumed';
    // Where along its travel it rests is then a guess of the class's, whatever the ratio turns out to be; only what it has
    // moved since the baseline is known.
    const restMm = classDefaults[document.machine.class].restShare * spec.travelMm.value;
    const travelShiftMm = source === 'assumed' ? restMm - entry(learnt.rounds[0]?.travel ?? [], i) : 0;
    return {
      id,
      spec,
      travelShiftMm,
      nowMm: entry(here.mean, r),
      nowSdMm: Math.sqrt(at(here.covariance, r, r)),
      gain: 1 / (solver.corners[i]?.ratioAt(solver.z[i] ?? 0) ?? 1),
      travelNow: { value: entry(here.travel, i) + travelShiftMm, source },
      travelSdMm: entry(here.travelSd, i),
      collarMm,
      room: seatRoom(document.corners[id], spec, collarMm, now.seatsBy[i] ?? 0),
    };
  });
}

function crossOf(
  { document, machine, now, specified, predictAt }: Setting,
  after: Situation,
): CrossAnswer | null {
  const pads = padGoals(machine);
  if (!pads) return null;
  const shareIn = (situation: Situation, of: typeof pads.cross) =>
    extraValue(
      { kind: 'share', ...of, target: 0, weight: 1 },
      predictAt({ ...situation, ...specified }).outcome,
    );
  return {
    now: shareIn(now, pads.cross),
    after: shareIn(after, pads.cross),
    target: document.frontEqual ? null : document.crossTarget,
    frontRight: {
      now: shareIn(now, pads.frontRight),
      after: shareIn(after, pads.frontRight),
      equal: document.frontEqual,
    },
  };
}

/** What every adjuster would have to do if nothing ran out. */
function needsOf({ adjusters, freeMm }: Plan, { corners }: JobMachine) {
  return adjusters.map(({ contact, kind, room, choicesMm }, j) => ({
    corner: corners[contact] as CornerId,
    kind,
    room,
    neededMm: freeMm[j] ?? 0,
    coarse: (choicesMm?.length ?? 0) > 1,
  }));
}

/** How the springs that somebody has named stand after a plan. */
function springsAfter({ corners, sources }: JobMachine, { prediction }: Plan) {
  const { solver } = prediction.outcome;
  return Object.fromEntries(
    corners.flatMap((id, i) => {
      const corner = solver.corners[i];
      if (!corner?.stack || sources[id].springs === 'assumed') return [];
      const { preloadMm } = corner;
      return [[id, { preloadMm, stackMm: corner.springAt(solver.z[i] ?? 0) + preloadMm }]];
    }),
  );
}

/** The part of the wanted rises that no plane follows. */
function warpOf(document: JobDocument, corners: readonly CornerNow[]): number[] {
  const wanted = corners.map(({ spec, nowMm }) => (spec.targetMm === null ? null : spec.targetMm - nowMm));
  const four = corners.length === 4 && corners.every(({ id }) => sideOf(id) !== 0);
  if (!four || wanted.some((value) => value === null)) return wanted.map(() => 0);
  return warp(
    document.machine,
    wanted.map((value) => value ?? 0),
  );
}

function withMoves(setting: Setting, corners: readonly CornerNow[], after: Situation): CornerAnswer[] {
  const { document, machine, now, specified, predictAt } = setting;
  const here = predictAt(now);
  const next = predictAt(after);
  const nowSpec = predictAt({ ...now, ...specified });
  const spec = predictAt({ ...after, ...specified });
  return corners.map((corner, r) => {
    const i = machine.corners.indexOf(corner.id);
    const seatBy = (after.seatsBy[i] ?? 0) - (now.seatsBy[i] ?? 0);
    return {
      ...corner,
      seatBy,
      turns: seatBy / corner.spec.pitchMm.value,
      steps: stepsOf(document.corners[corner.id].stepMm, seatBy),
      stopAtMm: corner.collarMm === null ? null : corner.collarMm + corner.spec.readingSign * seatBy,
      ...adjusterAnswer(setting, corner.id, after),
      riseMm: entry(next.mean, r) - entry(here.mean, r),
      predictedMm: entry(next.mean, r),
      predictedSdMm: Math.sqrt(at(next.covariance, r, r)),
      travelAfterMm: entry(next.travel, i) + corner.travelShiftMm,
      nowSpecMm: entry(nowSpec.mean, r),
      specMm: entry(spec.mean, r),
      specSdMm: Math.sqrt(at(spec.covariance, r, r)),
      nowSagMm: entry(nowSpec.travel, i),
      sagMm: entry(spec.travel, i),
      sagSdMm: entry(spec.travelSd, i),
      rings: document.corners[corner.id].rings.map(({ after: slider, on, gapMm }, j) => {
        const placeMm = (situation: Situation) => situation.ringsMm?.[i]?.[j] ?? 0;
        return {
          after: slider,
          moveMm: placeMm(after) - placeMm(now) + (on === 'seat' ? seatBy : 0),
          gapMm: ringGaps(document, corner.id, spec.outcome, i)[j] ?? 0,
          wantedMm: gapMm,
          follows: on === 'seat',
        };
      }),
    };
  });
}

/** Seats of corners that nobody has read, where the plan moves them with the one across. */
function unreadMoves(setting: Setting, corners: readonly CornerNow[], after: Situation): CornerMove[] {
  const { document, machine, state, now, predictAt } = setting;
  const next = predictAt(after).travel;
  const here = predictAt(now).travel;
  const moves = corners.flatMap((read): CornerMove[] => {
    const id = twinOf(read.id);
    if (id === null || corners.some((one) => one.id === id)) return [];
    const i = machine.corners.indexOf(id);
    const spec = cornerSpec(document, id);
    const seatBy = (after.seatsBy[i] ?? 0) - (now.seatsBy[i] ?? 0);
    const collarMm = collarNow(state.rounds, id, spec.readingSign);
    return [
      {
        id,
        spec,
        gain: read.gain,
        collarMm,
        room: seatRoom(document.corners[id], spec, collarMm, now.seatsBy[i] ?? 0),
        seatBy,
        turns: seatBy / spec.pitchMm.value,
        steps: stepsOf(document.corners[id].stepMm, seatBy),
        stopAtMm: collarMm === null ? null : collarMm + spec.readingSign * seatBy,
        ...adjusterAnswer(setting, id, after),
        rings: [],
        riseMm: (here[i] ?? 0) - (next[i] ?? 0),
      },
    ];
  });
  return moves.filter(isMoved);
}

/** Every corner that a plan speaks of: those read, and those that move with the one across. */
export function plannedMoves(answer: Answer): CornerMove[] {
  return [...answer.corners, ...answer.unread];
}

function stepsOf(stepMm: number | null, seatBy: number): number | null {
  return stepMm === null ? null : Math.round(seatBy / stepMm);
}

/** Cam, pressure and lower mount of a corner, now and after. */
function adjusterAnswer({ document, machine, now }: Setting, id: CornerId, after: Situation) {
  const corner = document.corners[id];
  const i = machine.corners.indexOf(id);
  const seat = ({ seatsBy }: Situation) => seatsBy[i] ?? 0;
  const mounted = ({ mountsMm }: Situation) => mountsMm[i] ?? 0;
  const { torsion, air, mount } = corner;
  const bar = (situation: Situation) => (air ? airTaken(air).gaugeBar : 0) + AIR_STEP_BAR * seat(situation);
  const mountMm = mounted(after) - mounted(now);
  return {
    cam: torsion ? { now: camAt(corner, seat(now)), after: camAt(corner, seat(after)) } : null,
    airBar: air ? { now: bar(now), after: bar(after) } : null,
    placeAssumed: isPlaceAssumed(corner, seat(now)),
    mountMm,
    mount: mount
      ? {
          turns: mountMm / mount.pitchMm,
          nowMm: mount.engagedMm === null ? null : mount.engagedMm - mounted(now),
          afterMm: mount.engagedMm === null ? null : mount.engagedMm - mounted(after),
          leastMm: leastEngaged(mount),
        }
      : null,
  };
}

/** The doubt, with the question why a single corner is off where it is and nobody has looked into it. */
function withOneCorner(doubt: Doubt, document: JobDocument, state: RoundsState): Doubt {
  const only = oneCornerOff(document, state);
  const misfit = only && { code: 'one-corner' as const, ...only };
  if (!misfit || state.checkedRight.includes(misfitKey(misfit))) return doubt;
  return { ...doubt, suspicions: [{ misfit, probability: 1 }, ...doubt.suspicions] };
}

/** The answers by corner. */
export function byCorner(answer: Answer | null): PerCorner<CornerAnswer> {
  return Object.fromEntries((answer?.corners ?? []).map((corner) => [corner.id, corner]));
}
