import { cornersIn, footingOf, ringsUsual, standsOnFour } from '../kinds/classes/index.ts';
import { isSagJob } from '../document/sagWish.ts';
import { isRidden } from '../document/riders.ts';
import { wantsRing } from '../planning/ringWork.ts';
import type { JobDocument } from '../document/types.ts';

/** The stages of a job that the sheet has, in the order of the work. */
export const stages = [
  'intake',
  'prep',
  'sag',
  'baseline',
  'scales',
  'plan',
  'turn',
  'measure',
  'rings',
  'stance',
  'close-out',
  'ride',
] as const;
export type Stage = (typeof stages)[number];

/**
 * The stages that a job has: rings only where some are fitted or usual, sag only where somebody rides, scales only for four pads, and
 * heights only where it is not set by sag.
 */
export function stagesOf(document: JobDocument): Stage[] {
  const ringed =
    ringsUsual(document.machine.class) ||
    cornersIn(document).some((id) => {
      const corner = document.corners[id];
      return corner.rings.length > 0 || wantsRing(corner);
    });
  const ridden = isRidden(document.machine.class);
  const wheels = footingOf(document.machine.class) === 'wheels';
  const scales = standsOnFour(document.machine.class);
  // What is set by sag is read on its bench, in every round.
  const byHeight = !isSagJob(document);
  const has: Partial<Record<Stage, boolean>> = {
    rings: ringed,
    sag: ridden,
    baseline: byHeight,
    measure: byHeight,
    scales,
    stance: wheels,
  };
  return stages.filter((stage) => has[stage] ?? true);
}
