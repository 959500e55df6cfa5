import { cornerIds } from '../machine/body.ts';
import { machineClasses, type MachineClass } from '../machine/classes.ts';
import { blankDocument } from './create.ts';
import type { JobDocument } from './types.ts';

type Plain = Record<string, unknown>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A job document of any earlier version as one of this version; anything else is given back as it is, to be refused
 * where it is checked. Fields that are not known are kept.
 */
export function migrateDocument(document: unknown): JobDocument {
  if (!isPlain(document) || document.schema !== 'margin-job') return document as unknown as JobDocument;
  return (document.schemaVersion === 1 ? fromFirst(document) : document) as unknown as JobDocument;
}

/** Version 2 added springs, loads and what they stand on: all of it not known before. */
function fromFirst(document: Plain): Plain {
  const machine = isPlain(document.machine) ? document.machine : {};
  const known = machineClasses.find((one) => one === machine.class);
  if (!known || !isPlain(document.corners)) return document;
  const blank = blankDocument(known satisfies MachineClass, '');
  const corners = document.corners;
  return {
    ...blank,
    ...document,
    schemaVersion: 2,
    machine: { ...blank.machine, ...machine },
    corners: {
      ...corners,
      ...Object.fromEntries(
        cornerIds.map((id) => [
          id,
          isPlain(corners[id]) ? { ...blank.corners[id], ...corners[id] } : corners[id],
        ]),
      ),
    },
  };
}

/** A job file (or a job sent by an older page) with its document migrated. */
export function migrateJob(job: unknown): unknown {
  return isPlain(job) && 'document' in job ? { ...job, document: migrateDocument(job.document) } : job;
}
