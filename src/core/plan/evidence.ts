import { situationOf, type JobMachine } from '../job/believed.ts';
import { cornerSpec } from '../job/corner.ts';
import { blurOf } from '../judge/checks.ts';
import type { Round, RoundsState } from '../job/rounds.ts';
import type { JobDocument } from '../job/types.ts';
import type { Fit, Reading, RoundEvidence } from '../learn/fit.ts';
import type { CornerId } from '../machine/body.ts';
import { GRAVITY } from '../machine/solver.ts';
import { tolerances } from '../tolerances.ts';

/** What was read in every round, with adjusters as they stood then (mm from the baseline). */
export function evidenceOf(
  document: JobDocument,
  machine: JobMachine,
  state: RoundsState,
  read: readonly CornerId[],
): RoundEvidence[] {
  const { corners } = machine;
  const add = (list: number[], of: (id: CornerId) => number | undefined) =>
    corners.map((id, i) => (list[i] ?? 0) + (of(id) ?? 0));
  const blur = blurOf(document, state.skipped);
  let seats = corners.map(() => 0);
  let mounts = corners.map(() => 0);
  let rings = corners.map((id) => document.corners[id].rings.map(() => 0));
  let km = 0;
  return state.rounds.map((round) => {
    km += round.drivenKm ?? 0;
    seats = add(seats, (id) => round.moves[id]);
    mounts = add(mounts, (id) => round.mounts[id]);
    rings = rings.map((list, i) => ringsAfter(document, round, corners[i] as CornerId, list));
    return {
      situation: {
        ...situationOf(machine, seats, mounts, rings.some((list) => list.length) ? rings : undefined, 0),
        km,
      },
      readings: readingsOf(document, machine, round, read),
      frictionScale:
        blur *
        (round.settled === null ? tolerances.unsettledFrictionSdMm / tolerances.settledFrictionSdMm : 1),
    };
  });
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
  round: Round,
  read: readonly CornerId[],
): Reading[] {
  const heights = read.flatMap((id, index) =>
    (round.heights[id] ?? []).map((mm): Reading => ({
      what: 'height',
      index,
      mm: mm + cornerSpec(document, id).offsetMm,
      sdMm: tolerances.tapeSdMm,
    })),
  );
  const used = corners.flatMap((id, index): Reading[] => {
    const mm = round.travelUsed[id];
    return mm === undefined ? [] : [{ what: 'travel', index, mm, sdMm: tolerances.travelUsedSdMm }];
  });
  // Wheels were weighed where the baseline was read.
  const weighed =
    round.round > 0
      ? []
      : corners.flatMap((id, index): Reading[] => {
          const { loadKg } = document.corners[id];
          if (loadKg === null) return [];
          const sdMm = Math.max(tolerances.weighedSd * loadKg, tolerances.leastScaleKg) * GRAVITY;
          return [{ what: 'pad', index, mm: loadKg * GRAVITY, sdMm }];
        });
  return [...heights, ...used, ...weighed];
}

/** A reading that does not agree with the rest. */
export interface Stray {
  round: number;
  corner: CornerId;
  what: Reading['what'];
  /** mm, or N of a wheel's weight. */
  mm: number;
  /** How much it still counts, 0 to 1. */
  weight: number;
}

/** Readings that were weighed down, by round and corner. */
export function straysOf(
  rounds: readonly RoundEvidence[],
  learnt: Fit,
  { corners }: JobMachine,
  read: readonly CornerId[],
): Stray[] {
  return rounds.flatMap(({ readings }, round) =>
    readings.flatMap(({ what, index, mm }, k) => {
      const weight = learnt.weights[round]?.[k] ?? 1;
      const corner = what === 'height' ? read[index] : corners[index];
      return weight < 1 && corner ? [{ round, corner, what, mm, weight }] : [];
    }),
  );
}
