import type { ErrorObject } from 'ajv/dist/2020.js';
import check from 'virtual:check-job-file';
import type { ToldFault } from '#words/faults.ts';
import { migrateJob } from '#core/document/migrate.ts';
import type { JobRecord } from '#core/document/types.ts';
import { toldExit } from './faultExit.ts';
import { readJson } from './readJson.ts';

/** Reads a job file of this or an earlier version, whole or its description alone; ends with every fault it has. */
export function readJobFile(file: string): JobRecord {
  const job = migrateJob(whole(readJson(file)));
  if (!check(job)) throw toldExit(file, (check.errors ?? []).slice(0, 20).map(faultOf));
  return { version: 1, ...(job as Omit<JobRecord, 'version'>) };
}

/** A bare description is a job that nobody has measured yet. */
function whole(input: unknown): unknown {
  const bare =
    typeof input === 'object' && input !== null && (input as { schema?: unknown }).schema === 'margin-job';
  return bare ? { id: '00000000-0000-4000-8000-000000000000', document: input, entries: [] } : input;
}

/** A place like `document.corners.LF.ratio`, and what would be right there. */
function faultOf({ instancePath, keyword, params, message }: ErrorObject): ToldFault {
  const path = instancePath
    .split('/')
    .slice(1)
    .map((part) => (/^\d+$/.test(part) ? `[${part}]` : `.${part}`))
    .join('')
    .replace(/^\./, '');
  const { missingProperty, allowedValues } = params as {
    missingProperty?: string;
    allowedValues?: unknown[];
  };
  if (missingProperty)
    return {
      path: [path, missingProperty].filter(Boolean).join('.'),
      got: 'nothing',
      want: 'a value, or null where it is not known',
    };
  if (keyword === 'enum') return { path, got: 'something else', want: `one of ${allowedValues?.join(', ')}` };
  return { path, got: 'a value that is not right', want: message ?? keyword };
}
