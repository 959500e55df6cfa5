import pg from 'pg';
import type { Logger } from 'pino';
import type { JobEvent } from '#contract/api.ts';
import { jobChannel } from '#db/jobs.ts';

type JobListener = (event: JobEvent) => void;

/** Hears of changed jobs, whichever server changed them. */
export interface JobEvents {
  /** Returns the function that stops listening. */
  listen(listener: JobListener): () => void;
  close(): Promise<void>;
}

const RETRY_MS = 1000;

/** LISTENs on its own connection and opens a new one whenever it is lost. */
export function openJobEvents(url: string, log: Logger): JobEvents {
  const listeners = new Set<JobListener>();
  let client: pg.Client | null = null;
  let closed = false;
  let timer: NodeJS.Timeout | undefined;

  const retry = () => {
    // An ended and a failed connection may both ask for the next: there is one.
    clearTimeout(timer);
    if (!closed) timer = setTimeout(() => void connect(), RETRY_MS);
  };
  const connect = async (): Promise<void> => {
    const fresh = new pg.Client({ connectionString: url, application_name: 'margin' });
    fresh.on('error', () => undefined);
    fresh.on('end', retry);
    fresh.on('notification', ({ payload }) => {
      const event = JSON.parse(payload ?? '{}') as JobEvent;
      listeners.forEach((listener) => listener(event));
    });
    client = fresh;
    try {
      await fresh.connect();
      await fresh.query(`LISTEN ${jobChannel}`);
    } catch (error) {
      log.warn({ code: (error as { code?: string }).code }, 'cannot listen for changes yet');
      fresh.removeAllListeners('end');
      await fresh.end().catch(() => undefined);
      retry();
    }
  };

  void connect();
  return {
    listen(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    async close() {
      closed = true;
      clearTimeout(timer);
      await client?.end().catch(() => undefined);
    },
  };
}
