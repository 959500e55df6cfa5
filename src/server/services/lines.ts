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
  for (const id of await outrunJobs(db)) await lineFor(db, { id, line: null });
}

/** Works out anew what lists show of every job that an older program worked out, one after another. */
export async function freshenLines(db: Database): Promise<void> {
  for (const id of await staleJobs(db)) await lineFor(db, { id, line: null });
}

/** Catches up after a job that changed has rested. Returns the function that ends it. */
export function keepLinesFresh(db: Database, events: JobEvents, log: Logger, restsMs = RESTS_MS): () => void {
  let timer: NodeJS.Timeout | undefined;
  const deaf = events.listen(() => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      catchUp(db).catch((error: unknown) => log.error({ err: error }, 'lists could not be worked out again'));
    }, restsMs);
  });
  return () => {
    deaf();
    clearTimeout(timer);
  };
}
