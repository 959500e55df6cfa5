import type { JobRecord } from '#core/document/types.ts';
import type { Database, Queryable } from '#db/connect.ts';
import { findJob, lockJob, versionOf } from '#db/jobs.ts';
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

/** What a record is sent as: written out once for all who ask for the same version. */
const texts = new WeakMap<JobRecord, string>();

/** A job's record as it is by now. Throws `job-not-found`. */
export async function readRecord(db: Database, id: string): Promise<JobRecord> {
  const version = await versionOf(db, id);
  const record = known(db, id, version) ?? (version === null ? null : await readAnew(db, id));
  if (!record) throw new ProblemError('job-not-found');
  return record;
}

/** The same as JSON. Throws `job-not-found`. */
export async function recordText(db: Database, id: string): Promise<string> {
  const record = await readRecord(db, id);
  const text = texts.get(record) ?? JSON.stringify(record);
  texts.set(record, text);
  return text;
}

async function readAnew(db: Database, id: string): Promise<JobRecord | null> {
  const found = await findJob(db, id);
  // A read that came late must not put an older version in the place of a newer one.
  const before = recordsOf(db).get(id);
  if (found && (before?.version ?? 0) < found.record.version) keepRecord(db, found.record);
  return found?.record ?? null;
}

function known(db: Database, id: string, version: number | null): JobRecord | null {
  const record = recordsOf(db).get(id);
  return record && record.version === version ? record : null;
}

/**
 * A job's record, locked until the transaction `tx` ends, so that entries queue up behind each other. It is read only where the job has gone
 * on elsewhere: an entry takes no longer for all that went before it. Throws `job-not-found`.
 */
export async function lockRecord(db: Database, tx: Queryable, id: string): Promise<JobRecord> {
  const version = await lockJob(tx, id);
  const there = known(db, id, version);
  if (there) return there;
  const found = version === null ? null : await findJob(tx, id);
  if (!found) throw new ProblemError('job-not-found');
  return found.record;
}
