import type { CornerId } from '../kinds/corners.ts';
import type { MachineClass } from '../kinds/classes/index.ts';
import { blankFields } from './description/blank.ts';
import { cornerField } from './description/corner.ts';
import { jobField } from './description/job.ts';
import type { BarDocument, CornerDocument, JobDocument } from './types.ts';

/** A blank job of a class: nothing but the reference kind is filled in, so every figure shows as assumed. */
export function blankDocument(machineClass: MachineClass, name: string): JobDocument {
  const blank = blankFields({ ...jobField.fields }, { machineClass, corner: null });
  return { ...blank, name } as JobDocument;
}

/** A corner of which nothing is known but how its class is measured. */
export function blankCorner(machineClass: MachineClass, corner: CornerId): CornerDocument {
  return blankFields(cornerField.fields, { machineClass, corner }) as CornerDocument;
}

/** An anti-roll bar of which nobody has measured rate or links. */
export function blankBar(rateNPerMm: number | null, hooked: boolean): BarDocument {
  return { rateNPerMm, hooked, linkMm: null, linkPerWheel: null };
}
