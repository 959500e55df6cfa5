import type { JobRecord } from '#core/document/types.ts';
import type { Database, Queryable } from '#db/connect.ts';
import { findJob, lockJob } from '#db/jobs.ts';
import { ProblemError } from '../http/problem.ts';

/** Jobs that are being worked on at a time; a record takes up to a megabyte or two. */
const MOST = 64;

/** Records as of their version, of each database, the one used last at the end. A record never changes: the next version is another. */
const kept = new WeakMap<Database, Map<string, JobRecord>>();

function recordsOf(db: Database): Map<string, JobRecord> {
  const records = kept.get(db) ?? new Map<string, JobRecord>();
  kept.set(db, records);
  return records;
}

/** Keeps a record that is in the database by now, for the next entry of the same job. */
export function keepRecord(db: Database, record: JobRecord): void {
  const records = recordsOf(db);
  records.delete(record.id);
  records.set(record.id, record);
  const [oldest] = records.keys();
  if (records.size > MOST && oldest !== undefined) records.delete(oldest);
}

/**
 * A job's record, locked until the transaction `tx` ends, so that entries queue up behind each other. It is read only where the job has gone
 * on elsewhere: an entry takes no longer for all that went before it. Throws `job-not-found`.
 */
export async function lockRecord(db: Database, tx: Queryable, id: string): Promise<JobRecord> {
  const version = await lockJob(tx, id);
  const known = recordsOf(db).get(id);
  if (known && known.version === version) return known;
  const found = version === null ? null : await findJob(tx, id);
  if (!found) throw new ProblemError('job-not-found');
  return found.record;
}
