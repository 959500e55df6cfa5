import { cornerSpec, toleranceOf, type Sourced } from '../job/corner.ts';
import { collarNow, readRounds, type PerCorner, type RoundsState } from '../job/rounds.ts';
import type { JobRecord } from '../job/types.ts';
import { gainColumns, push, updateFromRounds, type Gaussian, type Posterior } from '../learn/posterior.ts';
import { axleOf, cornerIds, warp, type CornerId } from '../machine/body.ts';
import { classDefaults } from '../machine/classes.ts';
import { at, build, entry } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';
import { chanceWithin } from './chance.ts';
import type { CornerAnswer } from './cornerAnswer.ts';
import { threadRoom } from './limits.ts';
import { reasonsFor, type Reason } from './reasons.ts';
import { planSeats } from './seats.ts';

export interface Answer {
  state: RoundsState;
  tolerance: Sourced;
  corners: CornerAnswer[];
  posterior: Posterior;
  /** Whether all four corners answer as one rigid body; with fewer, each answers for itself. */
  wholeBody: boolean;
  chanceNow: number | null;
  chanceAfter: number | null;
  reasons: Reason[];
}

/** Works out everything the sheet shows from a job's record. Null while no height has been read. */
export function answerFor(record: JobRecord): Answer | null {
  const state = readRounds(record);
  if (Object.keys(state.rounds[0]?.heights ?? {}).length === 0) return null;
  const posterior = updateFromRounds(record.document, state.rounds);
  const now = cornersNow(record, state, posterior);
  const plan = state.locked ? leaveAll(now) : solve(record, posterior, now);
  const targets = now.map(({ spec }) => spec.targetMm);
  const tolerance = toleranceOf(record.document);
  const known = targets.some((target) => target !== null);
  const after = predict(posterior, plan.seatsMm);
  const corners = now.map((corner, i) => withMove(corner, entry(plan.seatsMm, i), after, i));
  return {
    state,
    tolerance,
    corners,
    posterior,
    wholeBody: corners.length === cornerIds.length,
    chanceNow: known ? chanceWithin(heightsOf(posterior), targets, tolerance.value) : null,
    chanceAfter: known ? chanceWithin(after, targets, tolerance.value) : null,
    reasons: reasonsFor({
      corners,
      neededMm: plan.neededMm,
      warpMm: plan.warpMm,
      tied: record.document.equalSides,
      toleranceMm: tolerance.value,
    }),
  };
}

type CornerNow = Omit<
  CornerAnswer,
  'seatMm' | 'turns' | 'stopAtMm' | 'predictedMm' | 'predictedSdMm' | 'travelAfterMm'
>;

function cornersNow(record: JobRecord, state: RoundsState, posterior: Posterior): CornerNow[] {
  return posterior.corners.map((id, i) => {
    const spec = cornerSpec(record.document, id);
    const collarMm = collarNow(state.rounds, id, spec.readingSign);
    return {
      id,
      spec,
      nowMm: entry(posterior.state.mean, i),
      nowSdMm: Math.sqrt(at(posterior.state.covariance, i, i)),
      gain: posterior.gains[axleOf(id)].now.mean,
      travelNow: travelNow(record, state, posterior, i),
      collarMm,
      room: threadRoom(spec, collarMm),
    };
  });
}

/** Travel used now: the last measured figure less what the body has risen since; else the class's share. */
function travelNow(record: JobRecord, state: RoundsState, posterior: Posterior, index: number): Sourced {
  const id = posterior.corners[index] as CornerId;
  const round = state.rounds.findLast(({ travelUsed }) => travelUsed[id] !== undefined);
  if (round) {
    const risen = entry(posterior.state.mean, index) - at(posterior.heightsByRound, round.round, index);
    return { value: (round.travelUsed[id] as number) - risen, source: 'measured' };
  }
  const risen = entry(posterior.state.mean, index) - at(posterior.heightsByRound, 0, index);
  const share = classDefaults[record.document.machine.class].restShare;
  return { value: share * cornerSpec(record.document, id).travelMm.value - risen, source: 'assumed' };
}

/** A locked job has no plan: what is told is how it stands. */
function leaveAll(now: readonly CornerNow[]) {
  const zeros = now.map(() => 0);
  return { seatsMm: zeros, neededMm: zeros, warpMm: zeros };
}

function solve(record: JobRecord, posterior: Posterior, now: readonly CornerNow[]) {
  const wanted = now.map(wantedRise);
  const problem = {
    influence: build(
      now.length,
      now.length,
      (i, j) => at(posterior.projection, i, j) * (now[j] as CornerNow).gain,
    ),
    wanted,
    weights: now.map(() => 1),
    twist: build(
      now.length,
      now.length,
      (i, j) => ((i === j ? 1 : 0) - at(posterior.projection, i, j)) * (now[j] as CornerNow).gain,
    ),
    gains: now.map(({ gain }) => gain),
    rooms: now.map(({ room }) => room),
    stepsMm: now.map(({ spec }) => spec.pitchMm.value * tolerances.turnStep),
    groups: tieGroups(now, record.document.equalSides),
  };
  const free = planSeats({ ...problem, rooms: now.map(() => ({ down: -Infinity, up: Infinity })) });
  const complete = wanted.length === cornerIds.length && wanted.every((value) => value !== null);
  return {
    seatsMm: planSeats(problem).seatsMm,
    neededMm: free.smoothMm,
    warpMm: complete
      ? warp(
          record.document.machine,
          wanted.map((value) => value ?? 0),
        )
      : wanted.map(() => 0),
  };
}

/** mm to rise; a target above the measured full droop is met with full droop. */
function wantedRise(corner: CornerNow): number | null {
  const { targetMm } = corner.spec;
  if (targetMm === null) return null;
  const rise = targetMm - corner.nowMm;
  return corner.travelNow.source === 'measured' ? Math.min(rise, corner.travelNow.value) : rise;
}

function tieGroups(now: readonly CornerNow[], tied: boolean): number[][] {
  if (!tied) return now.map((_, i) => [i]);
  return (['front', 'rear'] as const)
    .map((axle) => now.flatMap(({ id }, i) => (axleOf(id) === axle ? [i] : [])))
    .filter((group) => group.length > 0);
}

/** Heights expected after these seat moves, with the uncertainty of height and gain together. */
function predict(posterior: Posterior, seatsMm: readonly number[]): Gaussian {
  const n = posterior.corners.length;
  const columns = gainColumns(posterior.projection, posterior.corners, seatsMm);
  return push(
    posterior.state,
    build(n, n + 2, (i, j) => (j < n ? (i === j ? 1 : 0) : at(columns, i, j - n))),
  );
}

function heightsOf(posterior: Posterior): Gaussian {
  return predict(
    posterior,
    posterior.corners.map(() => 0),
  );
}

function withMove(corner: CornerNow, seatMm: number, after: Gaussian, i: number): CornerAnswer {
  const predictedMm = entry(after.mean, i);
  return {
    ...corner,
    seatMm,
    turns: seatMm / corner.spec.pitchMm.value,
    stopAtMm: corner.collarMm === null ? null : corner.collarMm + corner.spec.readingSign * seatMm,
    predictedMm,
    predictedSdMm: Math.sqrt(at(after.covariance, i, i)),
    travelAfterMm: corner.travelNow.value - (predictedMm - corner.nowMm),
  };
}

/** The answers by corner. */
export function byCorner(answer: Answer | null): PerCorner<CornerAnswer> {
  return Object.fromEntries((answer?.corners ?? []).map((corner) => [corner.id, corner]));
}
