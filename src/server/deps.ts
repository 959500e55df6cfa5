import type { RequestHandler } from 'express';
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
  /** Writes a minute from one device, or from one address where it is not known. */
  writesPerMinute: number;
  /** Names under which it answers, without port. */
  hosts: readonly string[];
  /** Gives each request its session where only known devices are let in; null where this computer alone is served. */
  sessions: RequestHandler | null;
  /** How many proxies stand before it, whose word on address and https counts. */
  proxies: number;
  /** The origin under which customers reach sheets that were given out; null where none can be. */
  publicUrl: string | null;
}
