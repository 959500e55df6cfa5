import type { JobDocument } from '#core/document/types.ts';
import { trueStand } from '#core/simulated/machine.ts';
import type { PracticeTruth } from './truth.ts';

const FAR_KM = 1e6;

/** Whether every true height is in tolerance as it stands, and once springs have lost all they will. */
export function landedOf(
  truth: PracticeTruth,
  document: JobDocument,
  seatsBy: readonly number[],
  km: number,
): { now: boolean; later: boolean } {
  const isIn = (driven: number) =>
    trueStand(truth.simulated, { seatsBy, km: driven }).heightsMm.every((mm, i) => {
      const target = document.corners[truth.corners[i] as keyof JobDocument['corners']]?.targetMm ?? NaN;
      return Math.abs(mm - target) <= (document.toleranceMm ?? NaN);
    });
  return { now: isIn(km), later: isIn(FAR_KM) };
}
