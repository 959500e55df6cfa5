import type { CornerSpec } from '../job/corner.ts';

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

/** Room as whole adjuster steps: [most steps down (<= 0), most steps up (>= 0)]. */
export function stepRange(room: ThreadRoom, stepMm: number): [number, number] {
  return [-Math.floor(-room.down / stepMm + 1e-9), Math.floor(room.up / stepMm + 1e-9)];
}
