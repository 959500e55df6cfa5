import pg from 'pg';
import type { Logger } from 'pino';
import type { JobEvent } from '#contract/api.ts';
import { jobChannel } from '#db/jobs.ts';
import { doorChannel } from '#db/shop.ts';

type JobListener = (event: JobEvent) => void;
type RemovalListener = (deviceId: string) => void;

/** Hears of changed jobs and removed devices, whichever server changed them. What is given returns what stops listening. */
export interface JobEvents {
  listen(listener: JobListener): () => void;
  onRemoved(listener: RemovalListener): () => void;
  close(): Promise<void>;
}

const RETRY_MS = 1000;

/** LISTENs on its own connection and opens a new one whenever it is lost. */
export function openJobEvents(url: string, log: Logger): JobEvents {
  const listeners = new Set<JobListener>();
  const removals = new Set<RemovalListener>();
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
    fresh.on('notification', ({ channel, payload }) => {
      if (channel === doorChannel) {
        removals.forEach((listener) => listener(payload ?? ''));
        return;
      }
      const event = JSON.parse(payload ?? '{}') as JobEvent;
      listeners.forEach((listener) => listener(event));
    });
    client = fresh;
    try {
      await fresh.connect();
      await fresh.query(`LISTEN ${jobChannel}; LISTEN ${doorChannel}`);
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
    onRemoved(listener) {
      removals.add(listener);
      return () => removals.delete(listener);
    },
    async close() {
      closed = true;
      clearTimeout(timer);
      await client?.end().catch(() => undefined);
    },
  };
}
