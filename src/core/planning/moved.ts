import { airTaken, isPlaceAssumed } from '../document/taken.ts';
import { cornerSpec } from '../estimate/corner.ts';
import { collarNow } from '../estimate/rounds.ts';
import type { Situation } from '../estimate/belief.ts';
import { twinOf, type CornerId } from '../kinds/corners.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { at, entry } from '../numerics/matrix.ts';
import { camAt, leastEngaged, seatRoom } from './adjusters.ts';
import { isMoved, type CornerAnswer, type CornerMove } from './cornerAnswer.ts';
import { type CornerNow, type Setting } from './planning.ts';
import { ringGaps } from './rings.ts';

export function withMoves(setting: Setting, corners: readonly CornerNow[], after: Situation): CornerAnswer[] {
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
export function unreadMoves(setting: Setting, corners: readonly CornerNow[], after: Situation): CornerMove[] {
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
