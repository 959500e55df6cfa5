import { upgradedEntries } from './upgradeFact.ts';
import { cornersOf } from '../kinds/classes/index.ts';
import { machineClasses } from '../kinds/classes/index.ts';
import { filled, isPlain, type Plain } from './description/filled.ts';
import { DOCUMENT_VERSION, jobField } from './description/job.ts';
import { fittingFrom } from './fitting.ts';
import type { JobDocument } from './types.ts';

/** Version that first had fittings by name. */
const FITTINGS_SINCE = 4;

/**
 * A job document of any earlier version as one of this version; anything else is given back as it is, to be refused
 * where it is checked. What has come since is blank, since it was not known; fields that are not known here are kept.
 */
export function migrateDocument(document: unknown): JobDocument {
  if (!isPlain(document) || document.schema !== 'margin-job') return document as unknown as JobDocument;
  const { schemaVersion: version } = document;
  const earlier = typeof version === 'number' && version >= 1 && version < DOCUMENT_VERSION;
  return (earlier ? upgraded(document, version) : document) as unknown as JobDocument;
}

function upgraded(document: Plain, version: number): Plain {
  const machine = isPlain(document.machine) ? document.machine : {};
  const machineClass = machineClasses.find((one) => one === machine.class);
  if (!machineClass || !isPlain(document.corners)) return document;
  const named = version < FITTINGS_SINCE ? withFittings(document, machineClass) : document;
  const known = filled(jobField, named, version, { machineClass, corner: null }) as Plain;
  return { ...known, schemaVersion: DOCUMENT_VERSION };
}

/** Corners of before fittings had a name, with the one that their description tells of. */
function withFittings(document: Plain, machineClass: JobDocument['machine']['class']): Plain {
  const corners = document.corners as Plain;
  const named = cornersOf(machineClass).flatMap((id): [string, unknown][] => {
    const corner = corners[id];
    const fitting = isPlain(corner) ? fittingFrom(corner) : 'seat';
    return isPlain(corner) && fitting !== 'seat' ? [[id, { fitting, ...corner }]] : [];
  });
  return { ...document, corners: { ...corners, ...Object.fromEntries(named) } };
}

/** A job file (or a job sent by an older page) with its document migrated, and its facts with fields of their own. */
export function migrateJob(job: unknown): unknown {
  return isPlain(job) && 'document' in job
    ? {
        ...job,
        document: migrateDocument(job.document),
        ...('entries' in job ? { entries: upgradedEntries(job.entries) } : {}),
      }
    : job;
}
