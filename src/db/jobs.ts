import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { migrateDocument } from '#core/job/migrate.ts';
import { LINE_REVISION, type JobLine } from '#core/job/line.ts';
import type { Entry, JobDocument, JobRecord } from '#core/job/types.ts';
import type { Queryable } from './connect.ts';
import { entryFromRows, type EntryRow } from './rows.ts';
import { changes, entries, facts, jobs } from './tables.ts';

export interface KeptJob {
  record: JobRecord;
  updatedAt: Date;
}

export interface KeptLine {
  id: string;
  version: number;
  updatedAt: Date;
  /** Null where it is not of this version of the job and of the program. */
  line: JobLine | null;
}

/** What lists show of every job, the last touched first. */
export async function listLines(db: Queryable): Promise<KeptLine[]> {
  const { id, version, updatedAt, line, lineVersion, lineRevision } = jobs;
  const rows = await db
    .select({ id, version, updatedAt, line, lineVersion, lineRevision })
    .from(jobs)
    .orderBy(desc(jobs.updatedAt), asc(jobs.id));
  return rows.map((row) => ({
    id: row.id,
    version: row.version,
    updatedAt: row.updatedAt,
    line: row.lineVersion === row.version && row.lineRevision === LINE_REVISION ? row.line : null,
  }));
}

/** Keeps what lists show of a job, unless the job has gone on since. */
export async function keepLine(db: Queryable, id: string, version: number, line: JobLine): Promise<void> {
  await db
    .update(jobs)
    .set({ line, lineVersion: version, lineRevision: LINE_REVISION })
    .where(and(eq(jobs.id, id), eq(jobs.version, version)));
}

/** One job, or null. `lock` holds the row until the transaction ends, so that entries queue up behind each other. */
export async function findJob(db: Queryable, id: string, lock = false): Promise<KeptJob | null> {
  const query = db.select().from(jobs).where(eq(jobs.id, id));
  const rows = await (lock ? query.for('update') : query);
  return (await withEntries(db, rows))[0] ?? null;
}

async function withEntries(db: Queryable, rows: (typeof jobs.$inferSelect)[]): Promise<KeptJob[]> {
  const ids = rows.map(({ id }) => id);
  if (ids.length === 0) return [];
  const entryRows = await db
    .select()
    .from(entries)
    .where(inArray(entries.jobId, ids))
    .orderBy(asc(entries.seq));
  const changeRows = await db.select().from(changes).where(inArray(changes.jobId, ids));
  const factRows = await db.select().from(facts).where(inArray(facts.jobId, ids));
  const key = (row: { jobId: string; seq: number }) => `${row.jobId}/${row.seq}`;
  const changeAt = new Map(changeRows.map((row) => [key(row), row]));
  const factAt = new Map(factRows.map((row) => [key(row), row]));
  const restored = (row: EntryRow) => entryFromRows(row, changeAt.get(key(row)), factAt.get(key(row)));
  return rows.map((row) => ({
    record: {
      id: row.id,
      version: row.version,
      // Rows keep the version they were written in; the next change writes this one.
      document: migrateDocument(row.document),
      entries: entryRows.filter(({ jobId }) => jobId === row.id).map(restored),
    },
    updatedAt: row.updatedAt,
  }));
}

/** Adds a job row; false when the id is taken. */
export async function insertJob(db: Queryable, id: string, document: JobDocument): Promise<boolean> {
  const added = await db
    .insert(jobs)
    .values({ id, version: 1, document })
    .onConflictDoNothing()
    .returning({ id: jobs.id });
  return added.length > 0;
}

/** Appends an entry as `record.version` and keeps the document it led to. Tells other servers and windows. */
export async function appendEntry(db: Queryable, record: JobRecord, entry: Entry): Promise<void> {
  const place = { jobId: record.id, seq: record.version };
  const { id, type, label, undoOf, redoOf } = entry;
  const of = entry.type === 'withdraw' ? entry.of : null;
  await db.insert(entries).values({ ...place, id, type, label, undoOf, redoOf, of, at: new Date(entry.at) });
  if (entry.type === 'change') await db.insert(changes).values({ ...place, ops: entry.ops });
  if (entry.type === 'fact')
    await db.insert(facts).values({ ...place, ...entry.fact, replaces: entry.replaces });
  await db
    .update(jobs)
    .set({ version: record.version, document: record.document, updatedAt: sql`now()` })
    .where(eq(jobs.id, record.id));
}

/** The channel on which servers tell each other that a job changed. */
export const jobChannel = 'margin_job';

/** Announces a job's version on the channel; delivered when the transaction commits. */
export async function announceJob(db: Queryable, id: string, version: number): Promise<void> {
  await db.execute(sql`select pg_notify(${jobChannel}, ${JSON.stringify({ id, version })})`);
}

/** Whether there is no job at all. */
export async function isEmpty(db: Queryable): Promise<boolean> {
  const rows = await db.select({ id: jobs.id }).from(jobs).limit(1);
  return rows.length === 0;
}
