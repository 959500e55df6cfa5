import { once } from '../once.ts';
import { standingInTheWay } from './unplanned.ts';
import { remembered } from './remembered.ts';
import { crossOf } from './crossAnswer.ts';
import { withMoves, unreadMoves } from './moved.ts';
import { cornersNow } from './cornersNow.ts';
import { machineOf, plainly, type JobMachine, type MachineOptions } from '../estimate/believed.ts';
import { cornerSpec, toleranceOf } from '../estimate/corner.ts';
import { readRounds, type PerCorner, type RoundsState } from '../estimate/rounds.ts';
import { askedNow } from '../document/turnedPart.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';
import type { Fault } from '../faults.ts';
import type { Situation } from '../estimate/belief.ts';
import type { RoundEvidence } from '../estimate/fit.ts';
import { estimateOf, misfitKey, type Doubt, type Evidence } from '../estimate/estimate.ts';
import { gainsOf } from '../estimate/gains.ts';
import { predict } from '../estimate/predict.ts';
import { simulate } from '../estimate/simulate.ts';
import { type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { at, entry } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';
import type { Answer } from './answerShape.ts';
import { chanceIn } from './landing.ts';
import { extendedOf, sagRead } from '../estimate/sagEvidence.ts';
import { isLeftAlone } from './enough.ts';
import { heldBackBy } from './heldBack.ts';
import { oneCornerOff } from '../estimate/oneCorner.ts';
import { scalesWanted } from './cornerAnswer.ts';
import { evidenceOf, sharedByPictures, straysOf } from '../estimate/evidence.ts';
import { sparing } from './leftAlone.ts';
import { planFor, type Plan, type Setting, type SpecifiedAs } from './planning.ts';
import { withSwaps, type Swaps } from './swaps.ts';

export interface AnswerOptions {
  /** False leaves everything as it is: "after" is as it stands. */
  planned?: boolean;
  /** Other springs in from now on: what was read before is still of the old ones. */
  swaps?: Swaps;
}

/** Works out everything the sheet shows from a job's record. Null while no height has been read as it is fitted now. */
export function answerFor(
  asWritten: JobRecord,
  { planned = true, swaps = {} }: AnswerOptions = {},
): Answer | null {
  const record = { ...asWritten, document: askedNow(asWritten.document) };
  const state = readRounds(record);
  const all = cornersIn(record.document);
  const sagged = sagRead(state);
  const since = state.rounds.slice(state.base);
  // A corner that is read for the first time in a later round counts from then on; what was read before something new went
  // in does not place it.
  const read = all.filter(
    (id) => since.some(({ heights }) => heights[id] !== undefined) || sagged.includes(id),
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
    picturesSdMm: Object.fromEntries(read.map((id) => [id, sharedByPictures(state, id)])),
    travelRead: all.filter((id) => since.some(({ travelUsed }) => travelUsed[id] !== undefined)),
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
  const specified = meetAt(document, machine, now);
  const setting = { document, machine, state, learnt, read, now, specified, predictAt, doubt, otherwise };
  const written = asWritten.document;
  const corners = cornersNow(setting);
  const plan =
    state.locked || !planned || heldBackBy(doubt, state)
      ? null
      : sparing(setting, corners, planFor(setting, corners));
  const tolerance = toleranceOf(document);
  const chanceNow = chanceIn(setting, { ...now, ...specified });
  const answered = (by: Plan | null) =>
    answerTo(by, { ...setting, written, corners, faults, rounds, tolerance, chanceNow, described, told });
  const whole = answered(plan);
  // What is done is left alone: nobody takes a wheel off for half a millimetre. Weight can always be had a little nearer.
  const onlyHeights =
    scalesWanted(whole.cross) === null &&
    whole.corners.every(({ rings }) => rings.every(({ moveMm }) => moveMm === 0));
  return plan && onlyHeights && isLeftAlone(whole) ? answered(null) : whole;
}

interface Answered extends Setting {
  written: JobDocument;
  /** The corners as they stand now. */
  corners: ReturnType<typeof cornersNow>;
  faults: Fault[];
  rounds: readonly RoundEvidence[];
  tolerance: Answer['tolerance'];
  chanceNow: number | null;
  /** The machine as described before anything was learnt, and all that was read of it. */
  described: JobMachine;
  told: Evidence;
}

/** The answer with this plan carried out; with none, everything stays as it is. */
function answerTo(by: Plan | null, all: Answered): Answer {
  const { document, machine, learnt, now, specified, state, read, corners, rounds, tolerance } = all;
  const after = by ? { ...by.to, km: now.km, level: now.level, aboard: now.aboard } : now;
  const specifiedAfter = { ...after, ...specified };
  const moved = withMoves(all, corners, after);
  const cross = crossOf(all, after);
  const stood = rounds.map(({ situation }) => simulate(machine.believed, learnt.values, situation));
  return {
    state,
    tolerance,
    corners: moved,
    posterior: {
      gains: Object.fromEntries(gainsOf(learnt, state.current).map((gain, i) => [machine.corners[i], gain])),
      heightsByRound: stood.map(({ heights }) => heights),
      travelByRound: stood.map(({ travel }) => travel),
      strays: straysOf(rounds, learnt, machine, read),
    },
    unread: unreadMoves(all, corners, after),
    wholeBody: read.length === cornersIn(document).length,
    faults: all.faults,
    chanceNow: all.chanceNow,
    chanceAfter: chanceIn(all, specifiedAfter),
    cross,
    reasons: by ? standingInTheWay(all, corners, by, { corners: moved, cross }) : [],
    document,
    written: all.written,
    machine,
    fit: learnt,
    doubt: all.doubt,
    otherwise: all.otherwise,
    now,
    after,
    specifiedAfter,
    expectedNow: once(() => expectedIn(all.described, all.told)),
    predictAt: all.predictAt,
  };
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
  // Of what was never read as it is fitted now, nothing is expected.
  if (last === state.base || !latest) return {};
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
function meetAt(document: JobDocument, machine: JobMachine, { km, floorBy }: Situation): SpecifiedAs {
  const known =
    floorBy !== undefined || cornersIn(document).some((id) => document.corners[id].floorMm !== null);
  return {
    km: document.settlingMm || km > 0 ? tolerances.settledKm : 0,
    level: known ? true : undefined,
    aboard: machine.aboard[1] ?? machine.aboard[0] ?? [],
  };
}

/** The doubt, with the question why a single corner is off where it is and nobody has looked into it. */
function withOneCorner(doubt: Doubt, document: JobDocument, state: RoundsState): Doubt {
  const only = oneCornerOff(document, state);
  const misfit = only && { code: 'one-corner' as const, ...only };
  if (!misfit || state.checkedRight.includes(misfitKey(misfit))) return doubt;
  return { ...doubt, suspicions: [{ misfit, probability: 1 }, ...doubt.suspicions] };
}
