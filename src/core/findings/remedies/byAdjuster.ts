import { camPosition } from '../../document/taken.ts';
import { wayOf } from '../../adjusting/index.ts';
import type { MountDocument } from '../../document/types.ts';
import { sliderWhich, whichKey } from '../../document/which.ts';
import { twinOf, type CornerId } from '../../kinds/corners.ts';
import { marginsFor } from '../../margins/margins.ts';
import type { Answer } from '../../planning/answerShape.ts';
import type { CornerAnswer } from '../../planning/cornerAnswer.ts';
import { movedFurther, type Further } from '../../planning/replan.ts';
import { tolerances } from '../../tolerances.ts';
import type { Remedy } from './remedy.ts';
import { enough, find, worked, type At } from './tried.ts';

/** mm of seat or mount that nobody turns further for a remedy. */
const MOST_MM = 60;

/** Whether enough is left of what had run out. */
function isEnough(at: At, then: Answer): boolean {
  return (find(marginsFor(then), at.finding)?.leftMm ?? Infinity) >= enough(at) - tolerances.missedMm;
}

/** The fewest whole steps in a direction with which enough is left; null where none within reach has it. */
function leastMove(
  at: At,
  step: { by: number; most: number },
  further: (by: number) => Further,
): { by: number; then: Answer } | null {
  const doneBy = (steps: number) => movedFurther(at.base, further(steps * step.by));
  let most = Math.floor(step.most / step.by + 1e-9);
  if (most < 1 || !isEnough(at, doneBy(most))) return null;
  for (let few = 0; most - few > 1;) {
    const middle = Math.floor((few + most) / 2);
    if (isEnough(at, doneBy(middle))) most = middle;
    else few = middle;
  }
  return { by: most * step.by, then: doneBy(most) };
}

/** The adjuster moved the fewest steps that cure it, up (1) or down (-1); of a low point both of its axle. */
export function bySeat(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const { id, room, seatBy, cam, airBar, steps, spec } = corner;
  const described = base.document.corners[id];
  if (!described.adjustable) return [];
  const roomMm = sign > 0 ? room.up - seatBy : seatBy - room.down;
  // A collar past the end of good thread may be turned back, whatever room it has beyond.
  const most = Math.min(Math.max(roomMm, at.finding.kind.startsWith('thread') ? MOST_MM : 0), MOST_MM);
  const both = bothOf(at);
  const further = (by: number): Further => alike(both, { seatBy: sign * by });
  const stands = base.after.seatsBy[base.machine.corners.indexOf(id)] ?? 0;
  const { stepBy, choicesBy } = wayOf(described).steps({
    corner: described,
    spec,
    collarMm: null,
    seatBy: stands,
  });
  const found = choicesBy
    ? firstChoice(
        at,
        choicesBy.map((by) => sign * by).filter((by) => by > 0),
        further,
      )
    : leastMove(at, { by: stepBy, most }, further);
  if (!found) return [];
  const by = sign * found.by;
  const then = found.then.corners.find((one) => one.id === id);
  if (cam && then?.cam)
    return [
      worked(
        at,
        {
          do: 'cam',
          corner: id,
          from: camPosition(described.torsion, cam.after),
          to: camPosition(described.torsion, then.cam.after),
        },
        found.then,
      ),
    ];
  if (airBar && then?.airBar)
    return [worked(at, { do: 'air', corner: id, bar: then.airBar.after - airBar.after }, found.then)];
  const pitchMm = steps === null ? spec.pitchMm.value : null;
  return [worked(at, { do: 'seat', corner: id, by, pitchMm, both: both.length > 1 }, found.then)];
}

/** The smallest of a few moves that is enough. */
function firstChoice(
  at: At,
  choices: readonly number[],
  further: (by: number) => Further,
): { by: number; then: Answer } | null {
  for (const by of [...choices].sort((a, b) => a - b)) {
    const then = movedFurther(at.base, further(by));
    if (isEnough(at, then)) return { by, then };
  }
  return null;
}

/** The corners that a remedy moves: a low point is lifted by both of its axle. */
function bothOf({ corner: { id }, finding, base }: At): CornerId[] {
  const twin = finding.kind === 'ground' ? twinOf(id) : null;
  return twin && base.machine.corners.includes(twin) ? [id, twin] : [id];
}

const alike = (ids: readonly CornerId[], by: { seatBy?: number; mountMm?: number }): Further =>
  Object.fromEntries(ids.map((id) => [id, by]));

/** mm that a lower mount can still be screwed out (1) or in (-1); what nobody measured does not limit. */
function mountRoom(
  { afterMm, leastMm }: NonNullable<CornerAnswer['mount']>,
  { mostMm }: MountDocument,
  sign: 1 | -1,
): number {
  const end = sign > 0 ? leastMm : mostMm;
  if (afterMm === null || end === null) return MOST_MM;
  return Math.min(Math.max(sign * (afterMm - end), 0), MOST_MM);
}

/** The lower mount moved the fewest steps that cure it, out (1) or in (-1); of a low point both of its axle. */
export function byMount(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const mount = base.document.corners[corner.id].mount;
  if (!mount || !corner.mount) return [];
  const most = mountRoom(corner.mount, mount, sign);
  const both = bothOf(at);
  const found = leastMove(at, { by: mount.pitchMm * tolerances.turnStep, most }, (by) =>
    alike(both, { mountMm: sign * by }),
  );
  if (!found) return [];
  const { pitchMm } = mount;
  const told = {
    do: 'mount',
    corner: corner.id,
    mm: sign * found.by,
    pitchMm,
    both: both.length > 1,
  } as const;
  return [worked(at, told, found.then)];
}

/** The ring of a slider moved the fewest millimetres that cure it: towards the springs (1), or away from them (-1). */
export function byRing(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner, finding } = at;
  const { rings } = base.document.corners[corner.id];
  const j = rings.findIndex(({ after }) => whichKey(sliderWhich(after)) === whichKey(finding.which));
  if (j < 0) return [];
  const found = leastMove(at, { by: 1, most: MOST_MM }, (by) => ({
    [corner.id]: { ringsMm: rings.map((_, k) => (k === j ? sign * by : 0)) },
  }));
  if (!found) return [];
  return [worked(at, { do: 'ring', corner: corner.id, mm: sign * found.by }, found.then)];
}

/** What sets the height alone: the lower mount where there is one, else the adjuster. */
export function byHeight(at: At, sign: 1 | -1): Remedy[] {
  return at.base.document.corners[at.corner.id].mount ? byMount(at, sign) : bySeat(at, sign);
}

/** The mount screwed out (or in) while the seat gives the height back: preload changes, the height does not. */
export function mountForSeat(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const mount = base.document.corners[corner.id].mount;
  if (!mount || !corner.mount) return [];
  const most = mountRoom(corner.mount, mount, sign);
  const step = mount.pitchMm * tolerances.turnStep;
  const further = (by: number): Further => ({ [corner.id]: { mountMm: sign * by, seatBy: -sign * by } });
  const found = leastMove(at, { by: step, most }, further);
  if (!found) return [];
  const moved = {
    do: 'mount-for-seat',
    corner: corner.id,
    mountMm: sign * found.by,
    seatBy: -sign * found.by,
  } as const;
  return [worked(at, moved, found.then)];
}
