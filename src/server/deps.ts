import type { Logger } from 'pino';
import type { Database } from '#db/connect.ts';
import type { JobEvents } from './services/events.ts';

/** What the server is given; it makes none of it itself. */
export interface Deps {
  db: Database;
  events: JobEvents;
  log: Logger;
  /** Folder of the built page, or null when something else serves it. */
  webFolder: string | null;
  /** Writes a minute from one address. */
  writesPerMinute: number;
  /** Names under which it answers, without port. */
  hosts: readonly string[];
}
