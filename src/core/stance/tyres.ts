import { contactPoint } from '../machine/body.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { axleOf } from '../kinds/corners.ts';
import type { Axle } from '../kinds/corners.ts';
import type { JobDocument } from '../document/types.ts';

/** mm of radius that the tyres to go on add at an axle; 0 where none go on, or those fitted were not measured. */
export function radiusAdded({ stance }: JobDocument, axle: Axle): number {
  const [now, next] = [stance.tyreMm[axle], stance.nextTyreMm[axle]];
  return now === null || next === null ? 0 : (next - now) / 2;
}

/** Whether other tyres are to go on somewhere. */
export function changesTyres(document: JobDocument): boolean {
  return radiusAdded(document, 'front') !== 0 || radiusAdded(document, 'rear') !== 0;
}

/** mm that the body rises at a place ahead of the middle of the wheelbase once they are on: straight between the axles. */
export function tyreRise(document: JobDocument, xMm: number): number {
  const xs = cornersIn(document).map((id) => ({ axle: axleOf(id), x: contactPoint(document.machine, id).x }));
  const at = (axle: Axle) => xs.find((one) => one.axle === axle)?.x ?? 0;
  const [front, rear] = [at('front'), at('rear')];
  const share = front === rear ? 0.5 : (xMm - rear) / (front - rear);
  return share * radiusAdded(document, 'front') + (1 - share) * radiusAdded(document, 'rear');
}
