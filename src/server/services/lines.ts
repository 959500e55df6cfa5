import { logged } from '../http/logged.ts';
import type { Logger } from 'pino';
import { lineOf, type JobLine } from '#core/analysis/line.ts';
import type { Database } from '#db/connect.ts';
import { findJob, keepLine, outrunJobs, staleJobs, type KeptLine } from '#db/jobs.ts';
import type { JobEvents } from './events.ts';

/**
 * What lists show of a job takes its whole analysis. No entry waits for that: it is worked out once a job rests, or when
 * a list asks sooner.
 */
const RESTS_MS = 2000;

/** A job's line; one that is not up to date is worked out, and kept for the next time. */
export async function lineFor(
  db: Database,
  { id, line }: Pick<KeptLine, 'id' | 'line'>,
): Promise<JobLine | null> {
  if (line) return line;
  const kept = await findJob(db, id);
  if (!kept) return null;
  const made = lineOf(kept.record);
  await keepLine(db, id, kept.record.version, made);
  return made;
}

/** Works out what lists find and order by of every job that has gone on since, so that a list misses none. */
export async function catchUp(db: Database): Promise<void> {
  await workOut(db, await outrunJobs(db));
}

/** Works out what lists show of jobs, one after another, as long as `goesOn` says so. */
async function workOut(db: Database, ids: readonly string[], goesOn = () => true): Promise<void> {
  for (const id of ids) if (goesOn()) await lineFor(db, { id, line: null });
}

/**
 * Works out anew what an older program worked out, and catches up after every job that changed has rested. Returns the
 * function that ends it; what it promises is kept once nothing is asked of the database any more.
 */
export function keepLinesFresh(
  db: Database,
  events: JobEvents,
  log: Logger,
  restsMs = RESTS_MS,
): () => Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  let ended = false;
  let work = Promise.resolve();
  const freshen = (find: (db: Database) => Promise<string[]>) => {
    work = work
      .then(async () => (ended ? undefined : workOut(db, await find(db), () => !ended)))
      .catch((error: unknown) => log.error({ err: logged(error) }, 'lists could not be worked out again'));
  };
  freshen(staleJobs);
  const deaf = events.listen(() => {
    clearTimeout(timer);
    timer = setTimeout(() => freshen(outrunJobs), restsMs);
  });
  return () => {
    ended = true;
    deaf();
    clearTimeout(timer);
    return work;
  };
}
