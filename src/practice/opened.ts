import { isOf, standingFacts } from '#core/document/facts.ts';
import type { JobRecord } from '#core/document/types.ts';
import { noContactDepartures, type ContactDepartures } from '#core/simulated/departures.ts';
import { allLoosed, standOf, type Condition } from '#core/simulated/machine.ts';
import type { Missed, OpenedCorner, OpenedTruth } from '#contract/practice.ts';
import type { RiseParts } from '#core/practiceKinds.ts';
import type { PracticeTruth } from './truth.ts';
import { replay, trueHeights } from './replay.ts';

/** mm that a tape held with care shows too much or too little, beside its own error. */
const HELD_WELL_MM = 1;

/** What the machine was, told at the end. */
export function openedTruth(truth: PracticeTruth): OpenedTruth {
  const { simulated, corners, faults } = truth;
  const still = corners.map(() => 0);
  const at = trueHeights(truth, { seatsBy: still, km: 0 });
  return {
    faults,
    corners: corners.map((corner, i) => {
      const off = simulated.departures.contacts[i] ?? noContactDepartures;
      // All seats of the machine together: what one mm of it is worth, with nothing pushed across.
      const all = trueHeights(truth, { seatsBy: corners.map(() => 1), km: 0 });
      return {
        corner,
        risePerMm: (all[i] as number) - (at[i] as number),
        frictionMm: frictionMm(truth, i, off),
        floorMm: off.floorMm,
        lossMm: (at[i] as number) - (trueHeights(truth, { seatsBy: still, km: 1e6 })[i] as number),
      };
    }),
  };
}

/** mm that friction can hold this corner up by, where the targets are met. */
function frictionMm({ simulated, corners }: PracticeTruth, i: number, off: ContactDepartures): number {
  if (off.frictionN === 0) return 0;
  const held = (share: number) =>
    standOf(simulated, {
      seatsBy: corners.map(() => 0),
      km: 0,
      held: corners.map((_, k) => (k === i ? share : 0)),
      loosed: allLoosed,
    }).heightsMm[i] as number;
  return held(1) - held(0);
}

/** Every round as it really was: what was turned, true and read heights, and why each corner rose as it did. */
export function openedRounds(
  truth: PracticeTruth,
  seed: number,
  record: Pick<JobRecord, 'entries'>,
): OpenedCorner[][] {
  const played = replay(truth, seed, record);
  const readings = standingFacts(record)
    .map(({ fact }) => fact)
    .filter(isOf('height'));
  const readAt = (round: number, i: number): number | null => {
    const own = readings.filter((one) => one.round === round && one.corner === truth.corners[i]);
    return own.length > 0 ? own.reduce((sum, { mm }) => sum + mm, 0) / own.length : null;
  };
  return played.map(({ turnedBy, condition }, round) => {
    const trueMm = trueHeights(truth, condition);
    return truth.corners.map((corner, i) => {
      const [before, after] = [round > 0 ? readAt(round - 1, i) : null, readAt(round, i)];
      const past = played[round - 1]?.condition;
      return {
        corner,
        turnedMm: turnedBy[i] as number,
        trueMm: trueMm[i] as number,
        readMm: after,
        parts:
          before === null || after === null || !past
            ? null
            : partsOf(truth, { past, now: condition, i, roseMm: after - before }),
      };
    });
  });
}

interface Rise {
  past: Condition;
  now: Condition;
  i: number;
  roseMm: number;
}

/** One cause after another: its own seat, the others', the road, what was let go, friction; what is left over is the tape's. */
function partsOf(truth: PracticeTruth, { past, now, i, roseMm }: Rise): RiseParts {
  const still = past.seatsBy.map(() => 0);
  const height = (condition: Condition) => standOf(truth.simulated, condition).heightsMm[i] as number;
  const free = { ...past, held: still };
  const own = past.seatsBy.map((mm, k) => (k === i ? (now.seatsBy[k] as number) : mm));
  const start = height(free);
  const alone = height({ ...free, seatsBy: own });
  const all = height({ ...free, seatsBy: now.seatsBy });
  const driven = height({ ...free, seatsBy: now.seatsBy, km: now.km });
  const loosed = height({ ...now, held: still });
  const frictionMm = height(now) - loosed - (height(past) - start);
  return {
    ownMm: alone - start,
    othersMm: all - alone,
    lostMm: driven - all,
    loosedMm: loosed - driven,
    frictionMm,
    tapeMm: roseMm - (loosed - start) - frictionMm,
  };
}

/** What was done badly in a try: read unsettled, or the tape held where it does not belong. */
export function missedIn(truth: PracticeTruth, seed: number, record: Pick<JobRecord, 'entries'>): Missed {
  const readings = standingFacts(record)
    .map(({ fact }) => fact)
    .filter(isOf('height'));
  const played = replay(truth, seed, record);
  const stands = played.map(({ condition }) => standOf(truth.simulated, condition).heightsMm);
  const off = readings.map(({ round, corner, mm }) => {
    const i = truth.corners.indexOf(corner as (typeof truth.corners)[number]);
    return Math.abs(mm - (stands[round]?.[i] ?? mm));
  });
  const most = HELD_WELL_MM + 3 * truth.tapeSdMm;
  return {
    unsettled: played.filter(({ settled }, k) => !settled && readings.some(({ round }) => round === k))
      .length,
    offReadings: off.filter((mm) => mm > most).length,
    mostOffMm: Math.max(0, ...off),
  };
}
