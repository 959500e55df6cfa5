import type { JobDocument, JobRecord } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { drawHeight, type DrawnHeight } from '#core/simulated/camera/drawHeight.ts';
import { renderSteps, type Rendered } from '#core/simulated/camera/render.ts';
import { standNow, trueHeights } from './replay.ts';
import type { PracticeTruth } from './truth.ts';

/** Whether pictures are rendered of what a corner's height is read between: hub and arch. */
export const isPictured = ({ corners }: JobDocument, corner: CornerId): boolean =>
  corners[corner].reference.kind === 'hub-arch';

/** Camber that wheels have, more or less, deg. */
const CAMBER_DEG = -1;

/**
 * A picture of a corner's wheel as the machine stands now, to be rendered step by step, and what is told with it. `count` is how many readings
 * were taken before: no two pictures are held alike. Throws where the corner is none of the machine's.
 */
export function pictureOf(
  truth: PracticeTruth,
  seed: number,
  record: Pick<JobRecord, 'entries'>,
  corner: CornerId,
  count: number,
): { steps: Generator<void, Rendered> } & Pick<DrawnHeight, 'rimMm' | 'level' | 'focalPx'> {
  const i = truth.corners.indexOf(corner);
  const archMm = standNow(truth, seed, record).heightsMm[i];
  const usualMm = trueHeights(truth, { seatsBy: truth.corners.map(() => 0), km: 0 })[i];
  if (archMm === undefined || usualMm === undefined)
    throw new Error(`expected a corner of the machine, got ${corner}`);
  const { scene, shot, ...told } = drawHeight(seed, count, { usualMm, archMm, camberDeg: CAMBER_DEG });
  return { ...told, steps: renderSteps(scene, shot, seed + count) };
}
