import { analyse, type Analysis } from '#core/analysis/analyse.ts';
import type { JobRecord } from '#core/document/types.ts';

const known = new WeakMap<JobRecord, Analysis>();

/** ms. What takes longer holds up whoever types. */
const SLOW_MS = 100;
let slow = false;

/** Whether the last record took long to work out: readings that disagree are weighed against all that can be wrong. */
export function isSlow(): boolean {
  return slow;
}

/** What `analyse` says of a record, worked out once however many parts of a page ask. */
export function analysisOf(record: JobRecord): Analysis {
  const before = known.get(record);
  if (before) return before;
  const began = performance.now();
  const made = analyse(record);
  slow = performance.now() - began > SLOW_MS;
  known.set(record, made);
  return made;
}
