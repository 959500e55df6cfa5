import { analyse, type Analysis } from '#core/analysis/analyse.ts';
import { standingFacts } from '#core/document/facts.ts';
import type { JobRecord } from '#core/document/types.ts';

const known = new WeakMap<JobRecord, Analysis>();

/** What was looked at last, the newest first. What is typed is worked out, and says the same once it is kept. */
let recent: { says: string; made: Analysis }[] = [];
const RECENT = 6;

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
  const says = whatItSays(record);
  const made = recent.find((one) => one.says === says)?.made ?? workedOut(record);
  recent = [{ says, made }, ...recent.filter((one) => one.says !== says)].slice(0, RECENT);
  known.set(record, made);
  return made;
}

function workedOut(record: JobRecord): Analysis {
  const began = performance.now();
  const made = analyse(record);
  slow = performance.now() - began > SLOW_MS;
  return made;
}

/**
 * All of a record that an analysis goes by: its description and the facts that stand, in their order. Who entered them and when
 * changes nothing.
 */
function whatItSays(record: JobRecord): string {
  const facts = standingFacts(record).map(({ fact }) =>
    Object.entries(fact).sort(([a], [b]) => (a < b ? -1 : 1)),
  );
  return JSON.stringify([record.document, facts]);
}
