import { lateEntry } from '#core/document/upgradeFact.ts';
import { applyEntry, type EntryRefusal } from '#core/document/applyEntry.ts';
import type { Entry, JobRecord } from '#core/document/types.ts';
import type {
  Away,
  Book,
  BookJob,
  JobList,
  ListQuery,
  NewJob,
  PutAway,
  Shelf,
  WhereJob,
} from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import type { Database, Queryable } from '#db/connect.ts';
import {
  announceJob,
  appendEntry,
  awayOf,
  findJob,
  insertJob,
  listLines,
  listMachines,
  machineLines,
  putAway,
} from '#db/jobs.ts';
import { checkDocument } from '../http/validate.ts';
import { ProblemError } from '../http/problem.ts';
import { catchUp, lineFor } from './lines.ts';
import { keepRecord, lockRecord } from './records.ts';

/** The lines of the list of jobs that are asked for. */
export async function jobSummaries(db: Database, query: ListQuery & { shelf: Shelf }): Promise<JobList> {
  await catchUp(db);
  const { lines, total } = await listLines(db, query);
  const jobs: JobList['jobs'] = [];
  for (const kept of lines) {
    const line = await lineFor(db, kept);
    if (line) jobs.push({ ...line.summary, due: line.due, updatedAt: kept.updatedAt.toISOString() });
  }
  return { jobs, total };
}

/** Machines that something was measured on, as the logbook lists them. */
export async function machineList(db: Database, query: ListQuery): Promise<Book> {
  await catchUp(db);
  return listMachines(db, query);
}

/** Every setting of one machine; jobs that nothing was measured in are left out. Throws `machine-not-found`. */
export async function machineBook(db: Database, key: string): Promise<BookJob[]> {
  const kept = await machineLines(db, key);
  if (kept.length === 0) throw new ProblemError('machine-not-found');
  const lines = await Promise.all(kept.map((one) => lineFor(db, one)));
  return lines.flatMap((line): BookJob[] => {
    if (!line || line.settings.length === 0) return [];
    const { id, name, title, machineClass } = line.summary;
    return [{ id, name, title, machineClass, machineId: line.machineId, settings: line.settings }];
  });
}

/** One job's record. Throws `job-not-found`. */
async function readJob(db: Queryable, id: string): Promise<JobRecord> {
  const kept = await findJob(db, id);
  if (!kept) throw new ProblemError('job-not-found');
  return kept.record;
}

/**
 * Makes a job with its first entries. Sending the same again gives the same job; another job under a taken id is
 * refused with `job-exists`.
 */
export async function createJob(db: Pick<Database, 'transaction'>, job: NewJob): Promise<JobRecord> {
  return db.transaction(async (tx) => {
    const added = await insertJob(tx, job.id, job.document);
    if (!added) return sameJobOrRefuse(await readJob(tx, job.id), job);
    let record: JobRecord = { id: job.id, version: 1, document: job.document, entries: [] };
    for (const entry of job.entries) record = await extend(tx, record, entry);
    await announceJob(tx, { id: record.id, version: record.version, moved: false });
    return record;
  });
}

function sameJobOrRefuse(record: JobRecord, job: NewJob): JobRecord {
  const known = new Set(record.entries.map(({ id }) => id));
  if (job.entries.length > 0 && job.entries.every(({ id }) => known.has(id))) return record;
  if (job.entries.length === 0 && record.document.name === job.document.name) return record;
  throw new ProblemError('job-exists');
}

/** Adds an entry. An entry that is already there counts as done, so a lost answer can be asked for again. */
export async function addEntry(db: Database, id: string, entry: Entry): Promise<number> {
  return addEntries(db, id, [entry]);
}

/** The same with several, in their order: all of them or none. */
export async function addEntries(db: Database, id: string, entries: readonly Entry[]): Promise<number> {
  const kept = await db.transaction(async (tx) => {
    const before = await lockRecord(db, tx, id);
    let record = before;
    for (const entry of entries) {
      if (record.entries.some((one) => one.id === entry.id)) continue;
      if (record.entries.length >= limits.entriesPerJob) {
        throw new ProblemError('invalid', {
          errors: [{ pointer: '', detail: `a job holds at most ${limits.entriesPerJob} entries` }],
        });
      }
      record = await extend(tx, record, entry);
    }
    if (record !== before) await announceJob(tx, { id, version: record.version, moved: false });
    return record;
  });
  // Only what was committed: what is rolled back was never there.
  keepRecord(db, kept);
  return kept.version;
}

/** How a job is out of the way. Throws `job-not-found`. */
export async function whereJobIs(db: Database, id: string): Promise<WhereJob> {
  const away = await awayOf(db, id);
  if (away === undefined) throw new ProblemError('job-not-found');
  return { away };
}

/** Puts a job away, or back into the list, and tells every window. Throws `job-not-found`. */
export async function moveJob(db: Database, id: string, away: Away | null): Promise<PutAway> {
  return db.transaction(async (tx) => {
    // Practice is no job, and becomes none.
    if ((await awayOf(tx, id)) === 'practice') throw new ProblemError('job-not-found');
    const version = await putAway(tx, id, away);
    if (version === null) throw new ProblemError('job-not-found');
    await announceJob(tx, { id, version, moved: true });
    return { away };
  });
}

async function extend(tx: Queryable, record: JobRecord, sent: Entry): Promise<JobRecord> {
  const entry = lateEntry(record.document, sent);
  const result = applyEntry(record, entry);
  if (!result.ok) throw refusalProblem(result.refusal, record);
  if (entry.type === 'change') checkDocument(result.record.document);
  await appendEntry(tx, result.record, entry);
  return result.record;
}

function refusalProblem(refusal: EntryRefusal, record: JobRecord): ProblemError {
  if (refusal.reason === 'unknown-path') {
    return new ProblemError('invalid', {
      errors: [{ pointer: '/ops', detail: 'a path names nothing in the job' }],
    });
  }
  if (refusal.reason === 'unknown-entry') {
    return new ProblemError('invalid', {
      errors: [{ pointer: '', detail: 'it speaks of an entry this job does not have' }],
    });
  }
  if (refusal.reason === 'late-round') {
    return new ProblemError('invalid', {
      errors: [
        { pointer: '/fact/round', detail: `must be at most ${refusal.most}: rounds follow one another` },
      ],
    });
  }
  return new ProblemError('conflict', { conflict: { refusal, record } });
}
