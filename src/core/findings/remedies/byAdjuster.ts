import { twinOf } from '../../kinds/corners.ts';
import { marginsFor } from '../../margins/margins.ts';
import type { Answer } from '../../planning/answerShape.ts';
import type { CornerAnswer } from '../../planning/cornerAnswer.ts';
import { movedFurther, type Further } from '../../planning/replan.ts';
import { tolerances } from '../../tolerances.ts';
import type { Remedy } from './remedy.ts';
import { enough, find, worked, type At } from './tried.ts';

/** mm of seat or mount that nobody turns further for a remedy. */
const MOST_MM = 60;

/** The fewest whole steps in a direction with which enough is left; null where none within reach has it. */
function leastMove(
  at: At,
  step: { by: number; most: number },
  further: (by: number) => Further,
): { by: number; then: Answer } | null {
  const wantedMm = enough(at) - tolerances.missedMm;
  const doneBy = (steps: number) => movedFurther(at.base, further(steps * step.by));
  const isEnough = (steps: number) =>
    (find(marginsFor(doneBy(steps)), at.finding)?.leftMm ?? Infinity) >= wantedMm;
  let most = Math.floor(step.most / step.by + 1e-9);
  if (most < 1 || !isEnough(most)) return null;
  for (let few = 0; most - few > 1;) {
    const middle = Math.floor((few + most) / 2);
    if (isEnough(middle)) most = middle;
    else few = middle;
  }
  return { by: most * step.by, then: doneBy(most) };
}

/** The smallest move that can be told of an adjuster, in its own count. */
function stepOf({ spec, steps }: CornerAnswer): number {
  return steps === null ? spec.pitchMm.value * tolerances.turnStep : spec.stepMm.value;
}

/** The seat moved the fewest steps that cure it, up (1) or down (-1); of a low point both of its axle. */
export function bySeat(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const { id, room, seatBy, cam, airBar, steps, spec } = corner;
  if (!base.document.corners[id].adjustable || cam || airBar) return [];
  const roomMm = sign > 0 ? room.up - seatBy : seatBy - room.down;
  // A collar past the end of good thread may be turned back, whatever room it has beyond.
  const most = Math.min(Math.max(roomMm, at.finding.kind.startsWith('thread') ? MOST_MM : 0), MOST_MM);
  const both = at.finding.kind === 'ground' ? twinOf(id) : null;
  const further = (by: number): Further => ({
    [id]: { seatBy: sign * by },
    ...(both ? { [both]: { seatBy: sign * by } } : {}),
  });
  const found = leastMove(at, { by: stepOf(corner), most }, further);
  if (!found) return [];
  const pitchMm = steps === null ? spec.pitchMm.value : null;
  return [
    worked(at, { do: 'seat', corner: id, by: sign * found.by, pitchMm, both: both !== null }, found.then),
  ];
}

/** The lower mount moved the fewest steps that cure it, out (1) or in (-1). */
export function byMount(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const mount = base.document.corners[corner.id].mount;
  if (!mount || !corner.mount) return [];
  const { afterMm, leastMm } = corner.mount;
  const outMm = afterMm === null ? MOST_MM : Math.max(afterMm - leastMm, 0);
  const inMm = afterMm === null || mount.mostMm === null ? MOST_MM : Math.max(mount.mostMm - afterMm, 0);
  const most = Math.min(sign > 0 ? outMm : inMm, MOST_MM);
  const found = leastMove(at, { by: mount.pitchMm * tolerances.turnStep, most }, (by) => ({
    [corner.id]: { mountMm: sign * by },
  }));
  if (!found) return [];
  const { pitchMm } = mount;
  return [worked(at, { do: 'mount', corner: corner.id, mm: sign * found.by, pitchMm }, found.then)];
}

/** The mount screwed out (or in) while the seat gives the height back: preload changes, the height does not. */
export function mountForSeat(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const mount = base.document.corners[corner.id].mount;
  if (!mount || !corner.mount) return [];
  const { afterMm, leastMm } = corner.mount;
  const outMm = afterMm === null ? MOST_MM : Math.max(afterMm - leastMm, 0);
  const most = Math.min(sign > 0 ? outMm : (mount.mostMm ?? MOST_MM), MOST_MM);
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
