import { sagPrediction } from './sagGoals.ts';
import { wayOf } from '../adjusting/index.ts';
import { isPlaceAssumed } from '../document/taken.ts';
import { cornerSpec } from '../estimate/corner.ts';
import { collarNow } from '../estimate/rounds.ts';
import type { Situation } from '../estimate/belief.ts';
import { twinOf } from '../kinds/corners.ts';
import { at, entry } from '../numerics/matrix.ts';
import { leastEngaged } from './adjusters.ts';
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
    const sagNow = sagPrediction(setting, corner.id, now);
    const sagThen = sagPrediction(setting, corner.id, after);
    const seatBy = (after.seatsBy[i] ?? 0) - (now.seatsBy[i] ?? 0);
    return {
      ...corner,
      ...adjusterAnswer(setting, corner, after),
      riseMm: entry(next.mean, r) - entry(here.mean, r),
      predictedMm: entry(next.mean, r),
      predictedSdMm: Math.sqrt(at(next.covariance, r, r)),
      travelAfterMm: entry(next.travel, i) + corner.travelShiftMm,
      nowSpecMm: entry(nowSpec.mean, r),
      specMm: entry(spec.mean, r),
      specSdMm: Math.sqrt(at(spec.covariance, r, r)),
      nowSagMm: entry(sagNow.travel, i),
      nowSagSdMm: entry(sagNow.travelSd, i),
      sagMm: entry(sagThen.travel, i),
      sagSdMm: entry(sagThen.travelSd, i),
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
    const fitted = document.corners[id];
    const collarMm = collarNow(state.rounds, id, spec.readingSign);
    return [
      {
        id,
        spec,
        gain: read.gain,
        collarMm,
        room: wayOf(fitted).room({ corner: fitted, spec, collarMm, seatBy: now.seatsBy[i] ?? 0 }),
        ...adjusterAnswer(setting, { id, spec, collarMm }, after),
        rings: [],
        riseMm: (here[i] ?? 0) - (next[i] ?? 0),
      },
    ];
  });
  return moves.filter(isMoved);
}

/** What a corner's own adjuster and its lower mount are to do, as it is told. */
function adjusterAnswer(
  { document, machine, now }: Setting,
  { id, spec, collarMm }: Pick<CornerNow, 'id' | 'spec' | 'collarMm'>,
  after: Situation,
) {
  const corner = document.corners[id];
  const i = machine.corners.indexOf(id);
  const seatBy = now.seatsBy[i] ?? 0;
  const by = (after.seatsBy[i] ?? 0) - seatBy;
  const outMm = now.mountsMm[i] ?? 0;
  const mountMm = (after.mountsMm[i] ?? 0) - outMm;
  const { mount } = corner;
  const engagedMm = mount?.engagedMm ?? null;
  return {
    seatBy: by,
    ...wayOf(corner).told({ corner, spec, collarMm, seatBy }, by),
    placeAssumed: isPlaceAssumed(corner, seatBy),
    mountMm,
    mount: mount && {
      turns: mountMm / mount.pitchMm,
      nowMm: engagedMm === null ? null : engagedMm - outMm,
      afterMm: engagedMm === null ? null : engagedMm - outMm - mountMm,
      leastMm: leastEngaged(mount),
    },
  };
}
