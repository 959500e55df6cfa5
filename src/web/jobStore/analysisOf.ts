import { analyse, type Analysis } from '#core/analysis/analyse.ts';
import type { JobRecord } from '#core/document/types.ts';

const known = new WeakMap<JobRecord, Analysis>();

/** What `analyse` says of a record, worked out once however many parts of a page ask. */
export function analysisOf(record: JobRecord): Analysis {
  const before = known.get(record);
  if (before) return before;
  const made = analyse(record);
  known.set(record, made);
  return made;
}
