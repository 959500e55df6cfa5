import type { CornerSpec } from '../estimate/corner.ts';

/** Seat movement left each way, mm at the seat: `down` <= 0 <= `up`; infinite where nothing is known. */
export interface ThreadRoom {
  down: number;
  up: number;
}

/** Room on the thread from the collar reading now and its two limits. */
export function threadRoom(spec: CornerSpec, collarMm: number | null): ThreadRoom {
  const toMin = distance(spec.collarMinMm, collarMm, -1);
  const toMax = distance(spec.collarMaxMm, collarMm, 1);
  const [up, down] = spec.readingSign === 1 ? [toMax, toMin] : [toMin, toMax];
  // A collar already past its limit has no room that way, and is not driven further.
  return { down: -Math.max(down, 0), up: Math.max(up, 0) };
}

function distance(limitMm: number | null, collarMm: number | null, sign: 1 | -1): number {
  return limitMm === null || collarMm === null ? Infinity : sign * (limitMm - collarMm);
}

/** How an adjuster can be moved. */
export interface Steps {
  /** One step, in the adjuster's own count (mm, or steps of pressure): groove, notch or the smallest turn that is told. */
  stepBy: number;
  /** Moves from now that alone can be had (cam positions), growing; left out where every step can. */
  choicesBy?: readonly number[] | undefined;
}

/** The moves that can be had nearest to `moveBy`, within the room: the nearest one and its neighbours, in its own count. */
export function stepsNear({ stepBy, choicesBy }: Steps, room: ThreadRoom, moveBy: number): number[] {
  if (choicesBy) {
    const within = choicesBy.filter((mm) => mm >= room.down - 1e-9 && mm <= room.up + 1e-9);
    const near = within.reduce(
      (best, mm, k) => (Math.abs(mm - moveBy) < Math.abs((within[best] ?? Infinity) - moveBy) ? k : best),
      0,
    );
    return within.slice(Math.max(near - 1, 0), near + 2);
  }
  const [lowest, highest] = stepRange(room, stepBy);
  const near = Math.round(moveBy / stepBy);
  const counts = [near - 1, near, near + 1].map((count) => Math.min(Math.max(count, lowest), highest));
  return [...new Set(counts)].map((count) => count * stepBy);
}

/** The next move up (+1) or down (-1) from one that can be had; null at the end of the room. */
export function nextStep(steps: Steps, room: ThreadRoom, moveBy: number, sign: 1 | -1): number | null {
  const beyond = stepsNear(steps, room, moveBy).filter((mm) => sign * (mm - moveBy) > 1e-9);
  return beyond.length === 0 ? null : sign > 0 ? Math.min(...beyond) : Math.max(...beyond);
}

/** Room as whole adjuster steps: [most steps down (<= 0), most steps up (>= 0)]. */
function stepRange(room: ThreadRoom, stepBy: number): [number, number] {
  return [-Math.floor(-room.down / stepBy + 1e-9), Math.floor(room.up / stepBy + 1e-9)];
}
