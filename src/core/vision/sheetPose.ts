import { seenAt, type Camera, type Level } from './camera.ts';
import type { SheetSeen } from './findSheet.ts';
import { leastSquares, type Descent } from './leastSquares.ts';
import { markerSheet } from './markerSheet.ts';
import { plus3, type Vector3 } from './vector.ts';

/** Where the sheet is in the camera's frame: its middle, mm, and its own directions. */
export interface SheetPose {
  middle: Vector3;
  right: Vector3;
  up: Vector3;
  /** Towards the camera. */
  normal: Vector3;
  /** What is left at the discs, pixels. */
  leftPx: number;
}

/** The middle of a disc is found to about this. */
const DISC_SD_PX = 0.2;
/** Of the values that say how a sheet stands: nod, turn and roll, rad, and its middle, mm. */
export const SHEET_STEPS = [1e-4, 1e-4, 1e-4, 1e-2, 1e-2, 1e-2];
/** A flat sheet seen almost straight on could lean either way: it is tried from both. */
const STARTS = [-0.35, 0, 0.35];

/** How the sheet stands, by its discs; null where they fit no such sheet. */
export function sheetPose(camera: Camera, seen: SheetSeen): SheetPose | null {
  const best = bestDescent(camera, seen);
  if (!best) return null;
  return { ...directions(best.values), middle: placeOf(best.values), leftPx: leftPxOf(best, seen) };
}

/** The same as values: nod, turn and roll, rad, and its middle, mm. */
export function sheetValues(camera: Camera, seen: SheetSeen): number[] | null {
  return bestDescent(camera, seen)?.values ?? null;
}

/** px. Discs that are further off than this are of no such sheet. */
const MOST_LEFT_PX = 3;

const leftPxOf = ({ cost }: Descent, seen: SheetSeen): number =>
  DISC_SD_PX * Math.sqrt((2 * cost) / (2 * seen.length));

function bestDescent(camera: Camera, seen: SheetSeen): Descent | null {
  const start = startOf(camera, seen);
  let best: Descent | null = null;
  for (const nod of STARTS)
    for (const turn of STARTS) {
      const descent = leastSquares(
        (values) => discsApart(camera, seen, values),
        [nod, turn, start[2] as number, ...start.slice(3)],
        SHEET_STEPS,
      );
      if (!best || descent.cost < best.cost) best = descent;
    }
  return best && leftPxOf(best, seen) <= MOST_LEFT_PX ? best : null;
}

/** How a camera was held that saw a sheet hanging plumb. */
export function levelBySheet({ up }: Pick<SheetPose, 'up'>): Level {
  return {
    pitchDeg: (Math.asin(Math.max(-1, Math.min(1, up[2]))) * 180) / Math.PI,
    rollDeg: (Math.atan2(-up[0], -up[1]) * 180) / Math.PI,
  };
}

/** How far each disc is seen from where such a sheet would have it, in standard deviations: across and down, disc after disc. */
export function discsApart(camera: Camera, seen: SheetSeen, values: readonly number[]): number[] {
  const { right, up } = directions(values);
  const middle = placeOf(values);
  return markerSheet.discs.flatMap(({ alongMm, upMm }, k) => {
    const [x, y] = seenAt(camera, plus3(plus3(middle, right, alongMm), up, upMm));
    const disc = seen[k];
    return [(x - (disc?.x ?? 0)) / DISC_SD_PX, (y - (disc?.y ?? 0)) / DISC_SD_PX];
  });
}

/** Where the middle of a sheet is that stands as the values say. */
export const placeOf = (values: readonly number[]): Vector3 => [
  values[3] as number,
  values[4] as number,
  values[5] as number,
];

/** Its own directions, by a nod (top away), a turn (right side away) and a roll. */
export function directions(values: readonly number[]): Pick<SheetPose, 'right' | 'up' | 'normal'> {
  const [nod, turn, roll] = values as [number, number, number];
  const [cn, sn, ct, st, cr, sr] = [
    Math.cos(nod),
    Math.sin(nod),
    Math.cos(turn),
    Math.sin(turn),
    Math.cos(roll),
    Math.sin(roll),
  ];
  const right0: Vector3 = [ct, 0, st];
  const up0: Vector3 = [-st * sn, -cn, ct * sn];
  const right: Vector3 = [
    cr * right0[0] + sr * up0[0],
    cr * right0[1] + sr * up0[1],
    cr * right0[2] + sr * up0[2],
  ];
  const up: Vector3 = [
    cr * up0[0] - sr * right0[0],
    cr * up0[1] - sr * right0[1],
    cr * up0[2] - sr * right0[2],
  ];
  const normal: Vector3 = [
    up[1] * right[2] - up[2] * right[1],
    up[2] * right[0] - up[0] * right[2],
    up[0] * right[1] - up[1] * right[0],
  ];
  return { right, up, normal };
}

/** Seen straight on: by how far its upper two discs stand from each other. */
export function startOf({ widthPx, heightPx, focalPx }: Camera, seen: SheetSeen): number[] {
  const [a, b] = [seen[0], seen[1]];
  const [dx, dy] = [(b?.x ?? 1) - (a?.x ?? 0), (b?.y ?? 0) - (a?.y ?? 0)];
  const mean = (of: 'x' | 'y') => seen.slice(0, 4).reduce((sum, disc) => sum + disc[of] / 4, 0);
  const away = (focalPx * (markerSheet.discs[1].alongMm - markerSheet.discs[0].alongMm)) / Math.hypot(dx, dy);
  return [
    0,
    0,
    -Math.atan2(dy, dx),
    ((mean('x') - widthPx / 2) * away) / focalPx,
    ((mean('y') - heightPx / 2) * away) / focalPx,
    away,
  ];
}
