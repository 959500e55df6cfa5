import { invertSpd } from '../numerics/matrix.ts';
import type { Camera } from './camera.ts';
import type { SheetSeen } from './findSheet.ts';
import { leastSquares } from './leastSquares.ts';
import { discsApart, startOf } from './sheetPose.ts';

/** What pictures of the sheet taught of a camera. */
export interface Calibrated {
  focalPx: number;
  focalSdPx: number;
  bend: number;
  bendSd: number;
}

/** Before the first picture a camera's bend is thought to be within this, one standard deviation. */
const BEND_SD = 0.05;

/**
 * Focal length and bend of a camera from pictures of the printed sheet, taken aslant from at least three sides: only the way in which
 * the far side is smaller tells the focal length. Zhang, "A flexible new technique for camera calibration" (2000), with the axis in
 * the middle. Null where the pictures do not tell it to a twentieth.
 * @param views where the discs are seen in each picture; all of one size.
 */
export function calibrate(widthPx: number, heightPx: number, views: readonly SheetSeen[]): Calibrated | null {
  if (views.length < 3) return null;
  const cameraOf = (values: readonly number[]): Camera => ({
    widthPx,
    heightPx,
    focalPx: Math.exp(values[0] as number),
    bend: values[1] as number,
  });
  const usual = { widthPx, heightPx, focalPx: 0.8 * widthPx, bend: 0 };
  const best = [
    [0.5, 0],
    [-0.5, 0],
    [0, 0.5],
    [0, -0.5],
    [0, 0],
  ];
  // Each view starts from whichever lean fits it best with a usual lens.
  const starts = views.map((seen) => {
    const from = startOf(usual, seen);
    return best
      .map(([nod, turn]) =>
        leastSquares(
          (values) => discsApart(usual, seen, values),
          [nod as number, turn as number, ...from.slice(2)],
          [1e-4, 1e-4, 1e-4, 1e-2, 1e-2, 1e-2],
        ),
      )
      .sort((a, b) => a.cost - b.cost)[0]?.values as number[];
  });
  const fitted = leastSquares(
    (values) => [
      ...views.flatMap((seen, k) => discsApart(cameraOf(values), seen, values.slice(2 + 6 * k, 8 + 6 * k))),
      (values[1] as number) / BEND_SD,
    ],
    [Math.log(usual.focalPx), 0, ...starts.flat()],
    [1e-4, 1e-4, ...views.flatMap(() => [1e-4, 1e-4, 1e-4, 1e-2, 1e-2, 1e-2])],
  );
  const residuals = 10 * views.length;
  const scale = Math.max(1, (2 * fitted.cost) / Math.max(residuals - 6 * views.length - 2, 1));
  let covariance: number[][];
  try {
    covariance = invertSpd(fitted.information);
  } catch {
    return null;
  }
  const focalPx = Math.exp(fitted.values[0] as number);
  const focalSdPx = focalPx * Math.sqrt(scale * (covariance[0]?.[0] as number));
  if (!(focalSdPx < 0.05 * focalPx)) return null;
  return {
    focalPx,
    focalSdPx,
    bend: fitted.values[1] as number,
    bendSd: Math.sqrt(scale * (covariance[1]?.[1] as number)),
  };
}
