import { machineOf, plainly, type JobMachine } from '../job/believed.ts';
import { cornerSpec, toleranceOf, type Sourced } from '../job/corner.ts';
import { collarNow, readRounds, type PerCorner, type RoundsState } from '../job/rounds.ts';
import type { JobDocument, JobRecord } from '../job/types.ts';
import type { Fault } from '../faults.ts';
import type { Situation } from '../learn/belief.ts';
import { fit, type Fit, type RoundEvidence } from '../learn/fit.ts';
import { gainsOf, type LearntGain } from '../learn/gains.ts';
import { predict, type Prediction } from '../learn/predict.ts';
import { simulate } from '../learn/simulate.ts';
import { cornersIn, footingOf, sideOf, twinOf, warp, type CornerId } from '../machine/body.ts';
import { AIR_STEP_BAR } from '../machine/corner.ts';
import { at, entry } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';
import { adjustersOf, camAt, groupsOf, leastEngaged, seatRoom } from './adjusters.ts';
import { aimFor, type Adjuster, type AimSolution } from './aim.ts';
import { chanceWithin } from './chance.ts';
import type { CornerAnswer, CrossAnswer } from './cornerAnswer.ts';
import { evidenceOf, straysOf, type Stray } from './evidence.ts';
import { extraValue, type ExtraGoal } from './goals.ts';
import { reasonsFor, type Reason } from './reasons.ts';
import { withSwaps, type Swaps } from './swaps.ts';
import { ringGaps, ringsToGaps, wantsGaps } from './rings.ts';

/** What the readings say, beside the heights. */
interface Learnt {
  gains: PerCorner<LearntGain>;
  /** Heights without friction in every round, by corner in the order of `corners`. */
  heightsByRound: number[][];
  /** Readings that do not agree with the rest. */
  strays: Stray[];
}

export interface Answer {
  state: RoundsState;
  tolerance: Sourced;
  corners: CornerAnswer[];
  posterior: Learnt;
  /** Whether every corner is read; before that an unread corner is taken to move as its twin does. */
  wholeBody: boolean;
  /** Faults in what is fitted: while there are any, the figures are those of the plain sheet. */
  faults: Fault[];
  chanceNow: number | null;
  chanceAfter: number | null;
  /** Null where the machine does not stand on four wheels. */
  cross: CrossAnswer | null;
  reasons: Reason[];
  /** The job as it was worked out: without what is fitted where that has faults. */
  document: JobDocument;
  machine: JobMachine;
  fit: Fit;
  /** Adjusters now and after the plan, as measured. */
  now: Situation;
  after: Situation;
  /** After the plan, as the specification means it: its load case, new springs settled. */
  specifiedAfter: Situation;
  /** How the machine is expected to stand in a situation; each is worked out once. */
  predictAt: (situation: Situation) => Prediction;
}

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
  const read = all.filter((id) => state.rounds[0]?.heights[id] !== undefined);
  if (read.length === 0) return null;
  const driven = state.rounds.some(({ drivenKm }) => drivenKm !== null);
  const { document, machine, faults } = usableMachine(record.document, read, driven);
  const rounds = evidenceOf(document, machine, state, read);
  const learnt = withSwaps(fit(machine.believed, rounds), machine.corners, swaps);
  const predictAt = remembered((situation) => predict(learnt, situation));
  const now = (rounds.at(-1) as RoundEvidence).situation;
  const specified = meetAt(document, machine, now.km);
  const setting = { document, machine, state, learnt, read, now, specified, predictAt };
  const corners = cornersNow(setting);
  const plan = state.locked || !planned ? null : planFor(setting, corners);
  const after = plan ? { ...plan.to, km: now.km, level: now.level, aboard: now.aboard } : now;
  const tolerance = toleranceOf(document);
  const moved = withMoves(setting, corners, after);
  const cross = crossOf(setting, after);
  const chanceNow = chanceIn(setting, { ...now, ...specified });
  return {
    state,
    tolerance,
    corners: moved,
    posterior: {
      gains: Object.fromEntries(gainsOf(learnt).map((gain, i) => [machine.corners[i], gain])),
      heightsByRound: rounds.map(
        ({ situation }) => simulate(machine.believed, learnt.values, situation).heights,
      ),
      strays: straysOf(rounds, learnt, machine, read),
    },
    wholeBody: read.length === all.length,
    faults,
    chanceNow,
    chanceAfter: chanceIn(setting, { ...after, ...specified }),
    cross,
    reasons: plan
      ? reasonsFor({
          corners: moved,
          document,
          needs: needsOf(plan, machine),
          springs: springsAfter(machine, plan),
          warpMm: warpOf(document, corners),
          cross,
          toleranceMm: tolerance.value,
        })
      : [],
    document,
    machine,
    fit: learnt,
    now,
    after,
    specifiedAfter: { ...after, ...specified },
    predictAt,
  };
}

/** What one answer is worked out from. */
interface Setting {
  document: JobDocument;
  machine: JobMachine;
  state: RoundsState;
  learnt: Fit;
  /** Corners whose heights were read, in the order of the references. */
  read: readonly CornerId[];
  now: Situation;
  /** What the targets are for. */
  specified: SpecifiedAs;
  predictAt: (situation: Situation) => Prediction;
}

function remembered(of: (situation: Situation) => Prediction): (situation: Situation) => Prediction {
  const known = new Map<string, Prediction>();
  return (situation) => {
    const { seatsMm, mountsMm, ringsMm, km, level, aboard } = situation;
    const key = [seatsMm, mountsMm, ringsMm?.join('/') ?? '', km, level, aboard].join(';');
    const found = known.get(key) ?? of(situation);
    known.set(key, found);
    return found;
  };
}

/** The machine as described, or the plain sheet's where what is fitted contradicts itself. */
function usableMachine(
  document: JobDocument,
  read: readonly CornerId[],
  driven: boolean,
): { document: JobDocument; machine: JobMachine; faults: Fault[] } {
  const machine = machineOf(document, read, driven);
  if (machine.ok) return { document, machine: machine.value, faults: [] };
  const plain = machineOf(plainly(document), read, driven);
  if (!plain.ok) throw new Error(`expected the plain sheet to be sound, got ${plain.faults[0]?.path}`);
  return { document: plainly(document), machine: plain.value, faults: machine.faults };
}

type SpecifiedAs = Pick<Situation, 'km' | 'level' | 'aboard'>;

/** What the targets are for: the second load case on a level floor, with new springs settled. */
function meetAt(document: JobDocument, machine: JobMachine, drivenKm: number): SpecifiedAs {
  const aboard = machine.aboard[1] ?? machine.aboard[0] ?? [];
  const differs = document.loads.some((load) => load.aboard[0] !== load.aboard[1]);
  return {
    km: document.settlingMm || drivenKm > 0 ? tolerances.settledKm : 0,
    level: cornersIn(document).some((id) => document.corners[id].floorMm !== null) ? true : undefined,
    aboard: differs ? aboard : (machine.aboard[0] ?? []),
  };
}

type CornerNow = Pick<
  CornerAnswer,
  'id' | 'spec' | 'nowMm' | 'nowSdMm' | 'gain' | 'travelNow' | 'travelSdMm' | 'collarMm' | 'room'
>;

function cornersNow({ document, state, machine, read, now, predictAt }: Setting): CornerNow[] {
  const here = predictAt(now);
  const { solver } = here.outcome;
  return read.map((id, r) => {
    const i = machine.corners.indexOf(id);
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
      room: seatRoom(document.corners[id], spec, collarMm, now.seatsMm[i] ?? 0),
    };
  });
}

/** A plan, with the adjusters it is by. */
interface Plan extends AimSolution {
  adjusters: Adjuster[];
}

function planFor(setting: Setting, corners: readonly CornerNow[]): Plan {
  const { document, machine, learnt, now, specified, predictAt } = setting;
  const all = adjustersOf(document, machine, corners, now).map((one) =>
    isLeft(document, machine, one) ? heldAt(one, 0) : one,
  );
  const fitted = corners.some(({ id }) => machine.sources[id].springs !== 'assumed');
  const extras = extrasOf(setting);
  const aimBy = (adjusters: Adjuster[], from: Situation) =>
    aimFor({
      fit: learnt,
      from,
      meetAt: specified,
      targets: corners.map(({ spec }) => spec.targetMm),
      weights: corners.map(({ id }) => document.corners[id].weight ?? 1),
      extras,
      toleranceMm: toleranceOf(document).value,
      adjusters,
      groups: groupsOf(machine, adjusters, document.equalSides, corners.length),
      // Drawn machines pull a little towards their own middle, which several goals at once would show.
      draws: fitted && extras.length === 0 ? tolerances.pageDraws : 0,
      spareTwist: footingOf(document.machine.class) === 'wheels',
      predictAt,
    });
  const aim = (from: Situation) => {
    // Height is the lower mount's business; the seat, and with it the preload, is touched where that runs out.
    const spared = all.map((one) => (isSpared(document, machine, one) ? heldAt(one, 0) : one));
    const first = aimBy(spared, from);
    const left = all.map((one, j) => (one.kind === 'mount' ? heldAt(one, first.movesMm[j] ?? 0) : one));
    const short = all.some((one, j) => one.kind === 'mount' && ranOut(one, first.freeMm[j] ?? 0));
    return short ? { ...aimBy(left, from), freeMm: first.freeMm } : first;
  };
  let plan = aim(now);
  if (wantsGaps(document))
    for (let pass = 0; pass < tolerances.ringPasses; pass++) {
      const from = ringsToGaps(
        document,
        machine,
        { ...now, ringsMm: plan.to.ringsMm },
        plan.prediction.outcome,
      );
      plan = aim(from);
    }
  return { ...plan, adjusters: all };
}

/** Where nothing can be moved, or nothing is asked of a corner or its twin, it is left as it is. */
function isLeft({ corners, crossTarget }: JobDocument, machine: JobMachine, { contact }: Adjuster): boolean {
  const id = machine.corners[contact] as CornerId;
  const twin = twinOf(id);
  const asks = (one: CornerId) => corners[one].targetMm !== null || corners[one].sagMm !== null;
  const asked = asks(id) || (twin !== null && asks(twin)) || crossTarget !== null;
  return !corners[id].adjustable || !asked;
}

/** A seat beside a lower mount, where no sag is asked for. */
function isSpared({ corners }: JobDocument, machine: JobMachine, { contact, kind }: Adjuster): boolean {
  const corner = corners[machine.corners[contact] as CornerId];
  return kind === 'seat' && corner.mount !== null && corner.sagMm === null;
}

function heldAt(adjuster: Adjuster, mm: number): Adjuster {
  return { ...adjuster, choicesMm: [mm], room: { down: mm, up: mm } };
}

function ranOut({ room, stepMm }: Adjuster, wantedMm: number): boolean {
  return wantedMm > room.up + stepMm || wantedMm < room.down - stepMm;
}

/** Chance that every height and sag with a target is within tolerance of it; null where nothing is wanted. */
function chanceIn({ document, machine, read, predictAt }: Setting, situation: Situation): number | null {
  const heights = read.map((id) => document.corners[id].targetMm);
  const sags = machine.corners.map((id) => document.corners[id].sagMm);
  const prediction = predictAt(situation);
  const toleranceMm = toleranceOf(document).value;
  if (sags.some((sag) => sag !== null)) {
    const mean = [...prediction.mean, ...prediction.travel];
    return chanceWithin({ mean, covariance: prediction.together() }, [...heights, ...sags], toleranceMm);
  }
  return heights.some((target) => target !== null) ? chanceWithin(prediction, heights, toleranceMm) : null;
}

/** What is wanted beside heights: sag at corners, and cross weight. */
function extrasOf({ document, machine }: Setting): ExtraGoal[] {
  const sags = machine.corners.flatMap((id, contact): ExtraGoal[] => {
    const { sagMm } = document.corners[id];
    return sagMm === null ? [] : [{ kind: 'sag', contact, target: sagMm }];
  });
  const contacts = crossContacts(machine);
  return document.crossTarget === null || !contacts
    ? sags
    : [...sags, { kind: 'cross', contacts, target: document.crossTarget }];
}

/** Right front and left rear; null where the machine does not stand on four wheels. */
function crossContacts({ corners }: JobMachine): readonly [number, number] | null {
  const four = corners.length === 4 && corners.every((id) => sideOf(id) !== 0);
  return four ? [corners.indexOf('RF'), corners.indexOf('LR')] : null;
}

function crossOf(
  { document, machine, now, specified, predictAt }: Setting,
  after: Situation,
): CrossAnswer | null {
  const contacts = crossContacts(machine);
  if (!contacts) return null;
  const shareIn = (situation: Situation) =>
    extraValue({ kind: 'cross', contacts, target: 0 }, predictAt({ ...situation, ...specified }).outcome);
  return { now: shareIn(now), after: shareIn(after), target: document.crossTarget };
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
  const next = predictAt(after);
  const nowSpec = predictAt({ ...now, ...specified });
  const spec = predictAt({ ...after, ...specified });
  return corners.map((corner, r) => {
    const i = machine.corners.indexOf(corner.id);
    const seatMm = (after.seatsMm[i] ?? 0) - (now.seatsMm[i] ?? 0);
    return {
      ...corner,
      seatMm,
      turns: seatMm / corner.spec.pitchMm.value,
      steps: stepsOf(document.corners[corner.id].stepMm, seatMm),
      stopAtMm: corner.collarMm === null ? null : corner.collarMm + corner.spec.readingSign * seatMm,
      ...adjusterAnswer(setting, corner.id, after),
      predictedMm: entry(next.mean, r),
      predictedSdMm: Math.sqrt(at(next.covariance, r, r)),
      travelAfterMm: entry(next.travel, i),
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
          moveMm: placeMm(after) - placeMm(now) + (on === 'seat' ? seatMm : 0),
          gapMm: ringGaps(document, corner.id, spec.outcome, i)[j] ?? 0,
          wantedMm: gapMm,
          follows: on === 'seat',
        };
      }),
    };
  });
}

function stepsOf(stepMm: number | null, seatMm: number): number | null {
  return stepMm === null ? null : Math.round(seatMm / stepMm);
}

/** Cam, pressure and lower mount of a corner, now and after. */
function adjusterAnswer({ document, machine, now }: Setting, id: CornerId, after: Situation) {
  const corner = document.corners[id];
  const i = machine.corners.indexOf(id);
  const seat = ({ seatsMm }: Situation) => seatsMm[i] ?? 0;
  const mounted = ({ mountsMm }: Situation) => mountsMm[i] ?? 0;
  const { torsion, air, mount } = corner;
  const bar = (situation: Situation) => (air?.gaugeBar ?? 0) + AIR_STEP_BAR * seat(situation);
  const mountMm = mounted(after) - mounted(now);
  return {
    cam: torsion ? { now: camAt(corner, seat(now)), after: camAt(corner, seat(after)) } : null,
    airBar: air ? { now: bar(now), after: bar(after) } : null,
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

/** The answers by corner. */
export function byCorner(answer: Answer | null): PerCorner<CornerAnswer> {
  return Object.fromEntries((answer?.corners ?? []).map((corner) => [corner.id, corner]));
}
