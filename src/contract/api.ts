import type { EntryRefusal } from '#core/job/applyEntry.ts';
import type { JobSummary } from '#core/job/nextAction.ts';
import type { MachineSetting } from '#core/job/settings.ts';
import type { MachineClass } from '#core/machine/classes.ts';
import type { Entry, JobDocument, JobRecord } from '#core/job/types.ts';

/** GET /api/jobs */
export interface JobList {
  jobs: JobSummary[];
}

/** GET /api/book */
export interface Book {
  jobs: BookJob[];
}

/** One job's settings in the logbook. */
export interface BookJob {
  id: string;
  name: string;
  title: string;
  machineClass: MachineClass;
  /** Shared by jobs on the same machine; null for a machine that has but this one. */
  machineId: string | null;
  settings: MachineSetting[];
}

/** POST /api/jobs: the id is made by the page, so that sending twice makes one job. */
export interface NewJob {
  id: string;
  document: JobDocument;
  entries: Entry[];
}

/** GET /api/jobs/:id, POST /api/jobs */
export type JobAnswer = JobRecord;

/** POST /api/jobs/:id/entries */
export interface EntryAnswer {
  version: number;
}

/** What a 409 carries: why, and the job as it is now. */
export interface ConflictBody {
  refusal: EntryRefusal;
  record: JobRecord;
}

/** Server-sent event on /api/events and /api/jobs/:id/events. */
export interface JobEvent {
  id: string;
  version: number;
}
