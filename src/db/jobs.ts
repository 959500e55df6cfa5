import { LINE_REVISION, type JobLine } from '#core/analysis/line.ts';
import { and, asc, desc, eq, gt, ilike, inArray, isNotNull, isNull, or, sql, type SQL } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import type { Away, Book, JobEvent, ListQuery, Shelf, Shelved } from '#contract/api.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import { migrateDocument } from '#core/document/migrate.ts';
import type { Entry, JobDocument, JobRecord } from '#core/document/types.ts';
import type { Queryable } from './connect.ts';
import { entryFromRows, rowOfFact, type EntryRow } from './rows.ts';
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

const shelves: Record<Shelf, SQL | undefined> = {
  all: isNull(jobs.away),
  working: and(isNull(jobs.away), eq(jobs.locked, false)),
  due: and(isNull(jobs.away), eq(jobs.locked, true), isNotNull(jobs.due)),
  locked: and(isNull(jobs.away), eq(jobs.locked, true), isNull(jobs.due)),
  archived: eq(jobs.away, 'archived'),
  deleted: eq(jobs.away, 'deleted'),
};

/** What the logbook tells of: not what was deleted, and no practice. */
export const isKept = sql`coalesce(${jobs.away}, '') not in ('deleted', 'practice')`;

/** What lists show of the jobs asked for: those being worked on, then those due back, the last touched first. */
export async function listLines(
  db: Queryable,
  { find, offset, limit, shelf }: ListQuery & { shelf: Shelf },
): Promise<{ lines: KeptLine[]; total: number }> {
  const { id, version, updatedAt, line, lineVersion, lineRevision } = jobs;
  const rows = await db
    .select({ id, version, updatedAt, line, lineVersion, lineRevision })
    .from(jobs)
    .where(and(named(find), shelves[shelf]))
    .orderBy(asc(jobs.locked), asc(jobs.due), desc(jobs.updatedAt), asc(jobs.id))
    .limit(limit)
    .offset(offset);
  return { lines: rows.map(keptLine), total: await db.$count(jobs, and(named(find), shelves[shelf])) };
}

type LineRow = Pick<
  typeof jobs.$inferSelect,
  'id' | 'version' | 'updatedAt' | 'line' | 'lineVersion' | 'lineRevision'
>;

const keptLine = (row: LineRow): KeptLine => ({
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt,
  line: row.lineVersion === row.version && row.lineRevision === LINE_REVISION ? row.line : null,
});

/** Jobs whose name or machine has these words in it, wherever. */
function named(find: string) {
  if (find.trim() === '') return undefined;
  const pattern = `%${find.trim().replace(/[\\%_]/g, '\\$&')}%`;
  return or(ilike(jobs.name, pattern), ilike(jobs.title, pattern));
}

/** Classes of some jobs: out of whole documents, so asked only for those that are shown. */
async function classesOf(db: Queryable, ids: readonly string[]): Promise<Map<string, MachineClass>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: jobs.id, machineClass: sql<MachineClass>`${jobs.document}->'machine'->>'class'` })
    .from(jobs)
    .where(inArray(jobs.id, [...ids]));
  return new Map(rows.map(({ id, machineClass }) => [id, machineClass]));
}

/** Machines that something was measured on, the last touched first, under the name of their newest job. */
export async function listMachines(db: Queryable, { find, offset, limit }: ListQuery): Promise<Book> {
  const some = and(gt(jobs.settingsCount, 0), isNotNull(jobs.machineKey), isKept, named(find));
  const newest = (column: AnyPgColumn) => sql`(array_agg(${column} order by ${jobs.updatedAt} desc))[1]`;
  const rows = await db
    .select({
      key: sql<string>`${jobs.machineKey}`,
      name: sql<string>`${newest(jobs.name)}`,
      title: sql<string>`${newest(jobs.title)}`,
      newestJob: sql<string>`${newest(jobs.id)}`,
      settings: sql<number>`sum(${jobs.settingsCount})::int`,
    })
    .from(jobs)
    .where(some)
    .groupBy(jobs.machineKey)
    .orderBy(desc(sql`max(${jobs.updatedAt})`), asc(jobs.machineKey))
    .limit(limit)
    .offset(offset);
  const classes = await classesOf(
    db,
    rows.map(({ newestJob }) => newestJob),
  );
  const machines = rows.map(({ newestJob, ...row }) => ({
    ...row,
    machineClass: classes.get(newestJob) ?? 'car',
  }));
  const [count] = await db
    .select({ total: sql<number>`count(distinct ${jobs.machineKey})::int` })
    .from(jobs)
    .where(some);
  return { machines, total: count?.total ?? 0 };
}

/** The lines of every job on one machine, the last touched first. */
export async function machineLines(db: Queryable, machineKey: string): Promise<KeptLine[]> {
  const { id, version, updatedAt, line, lineVersion, lineRevision } = jobs;
  const rows = await db
    .select({ id, version, updatedAt, line, lineVersion, lineRevision })
    .from(jobs)
    .where(and(eq(jobs.machineKey, machineKey), isKept))
    .orderBy(desc(jobs.updatedAt));
  return rows.map(keptLine);
}

/** Jobs whose line is not of this version of the program. */
export async function staleJobs(db: Queryable): Promise<string[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(sql`${jobs.lineRevision} is distinct from ${LINE_REVISION}`);
  return rows.map(({ id }) => id);
}

/** Jobs that have gone on since their line was worked out: what lists find and order them by may be old. */
export async function outrunJobs(db: Queryable): Promise<string[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(sql`${jobs.lineVersion} is distinct from ${jobs.version}`);
  return rows.map(({ id }) => id);
}

/** Keeps what lists show of a job, unless the job has gone on since. */
export async function keepLine(db: Queryable, id: string, version: number, line: JobLine): Promise<void> {
  await db
    .update(jobs)
    .set({
      line,
      lineVersion: version,
      lineRevision: LINE_REVISION,
      settingsCount: line.settings.length,
      kitsCount: line.kits.length,
      locked: line.summary.locked,
      due: line.due,
    })
    .where(and(eq(jobs.id, id), eq(jobs.version, version)));
}

/** Holds a job's row until the transaction ends; its version, null where there is no such job. */
export async function lockJob(db: Queryable, id: string): Promise<number | null> {
  const rows = await db.select({ version: jobs.version }).from(jobs).where(eq(jobs.id, id)).for('update');
  return rows[0]?.version ?? null;
}

/** A job's version; null where there is no such job. */
export async function versionOf(db: Queryable, id: string): Promise<number | null> {
  const rows = await db.select({ version: jobs.version }).from(jobs).where(eq(jobs.id, id));
  return rows[0]?.version ?? null;
}

/** One job, or null. */
/** Every job but the deleted ones, by id, the last touched first. */
export async function keptJobIds(db: Queryable): Promise<string[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(isKept)
    .orderBy(desc(jobs.updatedAt), asc(jobs.id));
  return rows.map(({ id }) => id);
}

/** A job by its id; null where there is none. */
export async function findJob(db: Queryable, id: string): Promise<KeptJob | null> {
  const rows = await db.select().from(jobs).where(eq(jobs.id, id));
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

/** What lists find a job by. */
function listedBy(id: string, { name, machine }: JobDocument) {
  return { name, title: machine.title, machineKey: machine.id ?? id };
}

/** Adds a job row; false when the id is taken. */
export async function insertJob(db: Queryable, id: string, document: JobDocument): Promise<boolean> {
  const added = await db
    .insert(jobs)
    .values({ id, version: 1, document, ...listedBy(id, document) })
    .onConflictDoNothing()
    .returning({ id: jobs.id });
  return added.length > 0;
}

/** Appends an entry as `record.version` and keeps the document it led to. Tells other servers and windows. */
export async function appendEntry(db: Queryable, record: JobRecord, entry: Entry): Promise<void> {
  const place = { jobId: record.id, seq: record.version };
  const { id, type, label, by = null, undoOf, redoOf } = entry;
  const of = entry.type === 'withdraw' ? entry.of : null;
  const at = new Date(entry.at);
  await db.insert(entries).values({ ...place, id, type, label, by, undoOf, redoOf, of, at });
  if (entry.type === 'change') await db.insert(changes).values({ ...place, ops: entry.ops });
  if (entry.type === 'fact')
    await db.insert(facts).values({ ...place, ...rowOfFact(entry.fact), replaces: entry.replaces });
  await db
    .update(jobs)
    .set({
      version: record.version,
      document: record.document,
      ...listedBy(record.id, record.document),
      updatedAt: sql`now()`,
    })
    .where(eq(jobs.id, record.id));
}

/** How a job is out of the way, null where it is not; undefined where there is no such job. */
export async function awayOf(db: Queryable, id: string): Promise<Shelved | null | undefined> {
  const rows = await db.select({ away: jobs.away }).from(jobs).where(eq(jobs.id, id));
  return rows[0]?.away;
}

/** Puts a job away, or back; its version, null where there is no such job. */
export async function putAway(db: Queryable, id: string, away: Away | null): Promise<number | null> {
  const rows = await db
    .update(jobs)
    .set({ away })
    .where(eq(jobs.id, id))
    .returning({ version: jobs.version });
  return rows[0]?.version ?? null;
}

/** The channel on which servers tell each other that a job changed. */
export const jobChannel = 'margin_job';

/** Announces a job on the channel; delivered when the transaction commits. */
export async function announceJob(db: Queryable, event: JobEvent): Promise<void> {
  await db.execute(sql`select pg_notify(${jobChannel}, ${JSON.stringify(event)})`);
}

/** Whether there is no job at all. */
export async function isEmpty(db: Queryable): Promise<boolean> {
  const rows = await db.select({ id: jobs.id }).from(jobs).limit(1);
  return rows.length === 0;
}
