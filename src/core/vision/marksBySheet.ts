import { solveSpd } from '../numerics/matrix.ts';
import { metAt, rayAt, type Camera } from './camera.ts';
import type { SheetSeen } from './findSheet.ts';
import { leastSquares } from './leastSquares.ts';
import type { Reading } from './lengthIn.ts';
import { directions, discsApart, placeOf, SHEET_STEPS, sheetValues } from './sheetPose.ts';
import { plus3, type Vector3 } from './vector.ts';

/** What is known of the lens, and how well. */
export interface LensKnown {
  camera: Camera;
  focalSdShare: number;
  bendSd: number;
}

type Place = readonly [number, number];

/** A place somebody pointed at may be out by this, px of a picture 2,000 px wide. */
const POINTED_SD_SHARE = 1.2 / 2048;
/** Printers and paper keep a sheet's size to about this. */
const PRINT_SD_SHARE = 0.003;
/** mm. So far a mark may stand out of the plane of the sheet that was fixed beside it. */
const OUT_SD_MM = 5;

/** The values of the fit: how the sheet stands, then the lens. */
const [FOCAL, BEND] = [6, 7] as const;
const FIT_STEPS = [...SHEET_STEPS, 1e-4, 1e-4];

/**
 * How far two marks are apart that lie in the plane of the printed sheet, with how far that may be out; null where the discs
 * fit no such sheet. The sheet is the scale: the rays to both marks are met by its plane. Sheet and lens are fitted
 * together, so that what the discs leave open between them is part of the uncertainty.
 */
export function marksBySheet(lens: LensKnown, seen: SheetSeen, first: Place, second: Place): Reading | null {
  const pose = sheetValues(lens.camera, seen);
  if (!pose) return null;
  const { camera, focalSdShare, bendSd } = lens;
  const apart = (values: readonly number[]): number[] => [
    ...discsApart(lensBy(camera, values), seen, values),
    (values[FOCAL] as number) / focalSdShare,
    ((values[BEND] as number) - camera.bend) / bendSd,
  ];
  const { values, information } = leastSquares(apart, [...pose, 0, camera.bend], FIT_STEPS);
  const between = (all: readonly number[], moved: Moved = AS_FOUND) => {
    const [a, b] = [
      onSheet(camera, all, [first[0] + moved.px[0], first[1] + moved.px[1]], moved.outMm[0]),
      onSheet(camera, all, [second[0] + moved.px[2], second[1] + moved.px[3]], moved.outMm[1]),
    ];
    return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
  };
  const slope = values.map((_, k) => {
    const step = FIT_STEPS[k] as number;
    const by = (side: number) => between(values.map((value, j) => (j === k ? value + side * step : value)));
    return (by(1) - by(-1)) / (2 * step);
  });
  const spread = solveSpd(information, slope);
  const mm = between(values);
  const pointedSdPx = POINTED_SD_SHARE * Math.max(camera.widthPx, camera.heightPx);
  const variance = (moved: (side: number) => Moved, sd: number) =>
    (((between(values, moved(1)) - between(values, moved(-1))) / 2) * sd) ** 2;
  const ofLens = ((spread[FOCAL] as number) / focalSdShare) ** 2 + ((spread[BEND] as number) / bendSd) ** 2;
  const ofFit = spread.reduce((sum, value, k) => sum + value * (slope[k] as number), 0);
  const causes = {
    ...{ rim: 0, diameter: 0, level: 0 },
    point: [0, 1, 2, 3].reduce((sum, k) => sum + variance((side) => pointedAt(k, side), pointedSdPx), 0),
    lipOut: [0, 1].reduce((sum, k) => sum + variance((side) => standingOut(k, side), OUT_SD_MM), 0),
    lens: ofLens,
    sheet: Math.max(0, ofFit - ofLens),
    print: (PRINT_SD_SHARE * mm) ** 2,
  };
  const sdMm = Math.sqrt(Object.values(causes).reduce((sum, one) => sum + one, 0));
  return { mm, sdMm, causes };
}

/** By how much the places that were pointed at are moved, px across and down, and the marks out of the plane, mm. */
interface Moved {
  px: readonly number[] & { 0: number; 1: number; 2: number; 3: number };
  outMm: readonly [number, number];
}

const AS_FOUND: Moved = { px: [0, 0, 0, 0], outMm: [0, 0] };

const pointedAt = (k: number, side: number): Moved => {
  const px: [number, number, number, number] = [0, 0, 0, 0];
  px[k] = side;
  return { ...AS_FOUND, px };
};

const standingOut = (k: number, side: number): Moved => ({
  ...AS_FOUND,
  outMm: [k === 0 ? side : 0, k === 1 ? side : 0],
});

const lensBy = (camera: Camera, values: readonly number[]): Camera => ({
  ...camera,
  focalPx: camera.focalPx * Math.exp(values[FOCAL] as number),
  bend: values[BEND] as number,
});

/** Where the ray to a place in the picture meets the sheet's plane, or so far before it. */
function onSheet(camera: Camera, values: readonly number[], [x, y]: Place, outMm: number): Vector3 {
  const { normal } = directions(values);
  return metAt(rayAt(lensBy(camera, values), x, y), plus3(placeOf(values), normal, outMm), normal);
}
