import { cornersIn, footingOf, standsOnFour } from '../kinds/classes/index.ts';
import { isRidden } from '../document/riders.ts';
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

/** The stages that a job has: rings only where some are fitted, sag only where somebody rides, scales only for four pads. */
export function stagesOf(document: JobDocument): Stage[] {
  const ringed = cornersIn(document).some((id) => document.corners[id].rings.length > 0);
  const ridden = isRidden(document.machine.class);
  const wheels = footingOf(document.machine.class) === 'wheels';
  const scales = standsOnFour(document.machine.class);
  const has: Partial<Record<Stage, boolean>> = { rings: ringed, sag: ridden, scales, stance: wheels };
  return stages.filter((stage) => has[stage] ?? true);
}
