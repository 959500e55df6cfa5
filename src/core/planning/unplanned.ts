import { type JobMachine } from '../estimate/believed.ts';
import type { JobDocument } from '../document/types.ts';
import { sideOf, type CornerId } from '../kinds/corners.ts';
import { warp } from '../machine/body.ts';
import { toleranceOf } from '../estimate/corner.ts';
import type { CornerAnswer, CrossAnswer } from './cornerAnswer.ts';
import { type CornerNow, type Plan, type Setting } from './planning.ts';
import { reasonsFor, type Reason } from './reasons.ts';

/** What every adjuster would have to do if nothing ran out. */
function needsOf({ adjusters, freeBy }: Plan, { corners }: JobMachine) {
  return adjusters.map(({ contact, kind, room, stepBy, choicesBy }, j) => ({
    corner: corners[contact] as CornerId,
    kind,
    room,
    stepBy,
    neededBy: freeBy[j] ?? 0,
    coarse: (choicesBy?.length ?? 0) > 1,
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

/** Corners that a plan leaves pressed against an end of their travel. */
function pressedAfter({ corners }: JobMachine, { prediction }: Plan) {
  const { solver } = prediction.outcome;
  return Object.fromEntries(
    corners.flatMap((id, i) => {
      const end = solver.endOf(i);
      return end === 0 ? [] : [[id, end < 0 ? 'droop' : 'metal'] as const];
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

/** What stands in the way of a plan's targets; `then` is how the corners and the weight stand once it is done. */
export function standingInTheWay(
  { document, machine }: Pick<Setting, 'document' | 'machine'>,
  now: readonly CornerNow[],
  plan: Plan,
  then: { corners: readonly CornerAnswer[]; cross: CrossAnswer | null },
): Reason[] {
  return reasonsFor({
    ...then,
    document,
    needs: needsOf(plan, machine),
    springs: springsAfter(machine, plan),
    pressed: pressedAfter(machine, plan),
    warpMm: warpOf(document, now),
    toleranceMm: toleranceOf(document).value,
  });
}
