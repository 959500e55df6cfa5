import { applyEntry, type EntryRefusal } from '#core/job/applyEntry.ts';
import { lineOf, type JobLine } from '#core/job/line.ts';
import type { JobSummary } from '#core/job/nextAction.ts';
import type { Entry, JobRecord } from '#core/job/types.ts';
import type { BookJob, NewJob } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import type { Database, Queryable } from '#db/connect.ts';
import { announceJob, appendEntry, findJob, insertJob, keepLine, listLines } from '#db/jobs.ts';
import { checkDocument } from '../http/validate.ts';
import { ProblemError } from '../http/problem.ts';

interface Listed extends JobLine {
  updatedAt: string;
}

/** What lists show of every job; a line that is not up to date is worked out, and kept for the next time. */
async function allLines(db: Database): Promise<Listed[]> {
  const kept = await listLines(db);
  const lines: Listed[] = [];
  for (const { id, updatedAt, line } of kept) {
    const found = line ?? (await freshLine(db, id));
    if (found) lines.push({ ...found, updatedAt: updatedAt.toISOString() });
  }
  return lines;
}

async function freshLine(db: Database, id: string): Promise<JobLine | null> {
  const kept = await findJob(db, id);
  if (!kept) return null;
  const line = lineOf(kept.record);
  await keepLine(db, id, kept.record.version, line);
  return line;
}

/** Every job's line for Bays. */
export async function jobSummaries(db: Database): Promise<JobSummary[]> {
  return (await allLines(db)).map(({ summary, updatedAt }) => ({ ...summary, updatedAt }));
}

/** Every setting of every machine, for the logbook; jobs that nothing was measured in are left out. */
export async function machineBook(db: Database): Promise<BookJob[]> {
  const lines = await allLines(db);
  return lines.flatMap(({ summary: { id, name, title, machineClass }, machineId, settings }) =>
    settings.length === 0 ? [] : [{ id, name, title, machineClass, machineId, settings }],
  );
}

/** One job's record. Throws `job-not-found`. */
export async function readJob(db: Queryable, id: string, lock = false): Promise<JobRecord> {
  const kept = await findJob(db, id, lock);
  if (!kept) throw new ProblemError('job-not-found');
  return kept.record;
}

/**
 * Makes a job with its first entries. Sending the same again gives the same job; another job under a taken id is
 * refused with `job-exists`.
 */
export async function createJob(db: Database, job: NewJob): Promise<JobRecord> {
  return db.transaction(async (tx) => {
    const added = await insertJob(tx, job.id, job.document);
    if (!added) return sameJobOrRefuse(await readJob(tx, job.id), job);
    let record: JobRecord = { id: job.id, version: 1, document: job.document, entries: [] };
    for (const entry of job.entries) record = await extend(tx, record, entry);
    await announceJob(tx, record.id, record.version);
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
  return db.transaction(async (tx) => {
    const record = await readJob(tx, id, true);
    if (record.entries.some((one) => one.id === entry.id)) return record.version;
    if (record.entries.length >= limits.entriesPerJob) {
      throw new ProblemError('invalid', {
        errors: [{ pointer: '', detail: `a job holds at most ${limits.entriesPerJob} entries` }],
      });
    }
    const next = await extend(tx, record, entry);
    await announceJob(tx, id, next.version);
    return next.version;
  });
}

async function extend(tx: Queryable, record: JobRecord, entry: Entry): Promise<JobRecord> {
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
  return new ProblemError('conflict', { conflict: { refusal, record } });
}
