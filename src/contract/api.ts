import type { JobSummary } from '#core/analysis/summary.ts';
import type { RackSpring, RackValues } from '#core/rack/spring.ts';
import type { Kit, KitValues } from '#core/kits/kit.ts';
import type { KitOutcome } from '#core/kits/outcome.ts';
import type { EntryRefusal } from '#core/document/applyEntry.ts';
import type { MachineSetting } from '#core/book/settings.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import type { Entry, JobDocument, JobRecord } from '#core/document/types.ts';

/** What a list is asked for by: words of a job's or machine's name, and which part of it. */
export interface ListQuery {
  find: string;
  offset: number;
  limit: number;
}

/**
 * Which jobs of the list: those being worked on, locked ones that are due back, the other locked ones; or those put away.
 * `all` is all that are not.
 */
export type Shelf = 'all' | 'working' | 'due' | 'locked' | Away;

/** How a job is out of the way: kept for later, or deleted, which can be taken back. */
export const aways = ['archived', 'deleted'] as const;
export type Away = (typeof aways)[number];

/** The same, and practice, which never stands among the jobs. */
export type Shelved = Away | 'practice';

/** GET /api/jobs/:id/away: how it is out of the way, null where it is in the list. */
export interface WhereJob {
  away: Shelved | null;
}

/** POST /api/jobs/:id/away puts a job away, or with null back into the list. */
export interface PutAway {
  away: Away | null;
}

/** GET /api/jobs?find=&offset=&limit=&shelf=: jobs being worked on, then those due back, then the rest, last touched first. */
export interface JobList {
  jobs: (JobSummary & { due: string | null })[];
  /** How many there are in all. */
  total: number;
}

/** GET /api/book?find=&offset=&limit=: machines, last touched first. */
export interface Book {
  machines: MachineEntry[];
  total: number;
}

export interface MachineEntry {
  /** The machine's id, or that of the only job on it. */
  key: string;
  name: string;
  title: string;
  machineClass: MachineClass;
  settings: number;
}

/** GET /api/book/:key */
export interface MachineBook {
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

/** A picture of where the tape is held: GET /api/photos/:id is the picture, /api/photos/:id/small its thumbnail. */
export interface Photo {
  id: string;
  /** The job it was taken in: it is shown in every job on the same machine. */
  jobId: string;
  corner: CornerId;
  width: number;
  height: number;
  at: string;
}

/** GET /api/photos?job=, newest first */
export interface PhotoList {
  photos: Photo[];
}

/** POST /api/jobs: the id is made by the page, so that sending twice makes one job. */
export interface NewJob {
  id: string;
  document: JobDocument;
  entries: Entry[];
}

/** GET /api/jobs/:id, POST /api/jobs */
export type JobAnswer = JobRecord;

/** POST /api/jobs/:id/entries/more */
export interface MoreEntries {
  entries: Entry[];
}

/** POST /api/jobs/:id/entries, POST /api/jobs/:id/entries/more */
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
  /** Whether it was put away, or back. */
  moved: boolean;
}

/** GET /api/rack: by name. */
export interface Rack {
  springs: RackSpring[];
}

/** POST /api/rack: a new spring where `version` is null, else the one that has this version. */
export type PutSpring = RackValues & { id: string; version: number | null };

/** GET /api/kits: by name, with what the shop's jobs with them came to. */
export interface Kits {
  kits: Kit[];
  outcomes: KitOutcome[];
}

/** A place on the shop's floor, as a job that stood there has it: mm above the shop's level under each wheel. */
export interface FloorPlace {
  name: string;
  floorMm: Partial<Record<CornerId, number>>;
}

/** GET /api/floors: by name, each as the newest job there has it. */
export interface Floors {
  places: FloorPlace[];
}

/** POST /api/kits: a new kit where `version` is null, else the one that has this version. */
export interface PutKit {
  id: string;
  version: number | null;
  kit: KitValues;
}

/** POST /api/rack/import: taken in whole or not at all; a known id is written over. */
export interface ImportRack {
  springs: (RackValues & { id: string })[];
}

/** A sheet that was given out as a link. Times are ISO 8601. */
export interface GivenSheet {
  id: string;
  jobId: string;
  title: string;
  createdAt: string;
  expiresAt: string;
}

/** GET /api/sheets?job=: newest first; `possible` where the owner has said under what address customers come. */
export interface GivenSheets {
  possible: boolean;
  sheets: GivenSheet[];
}

/** POST /api/sheets: a sheet as it stands, as a page of its own: what is in it, and what it looks like. */
export interface GiveSheet {
  jobId: string;
  title: string;
  html: string;
  css: string;
  days: number;
}

/** What it can be opened under: told once, and not kept. */
export interface SheetLink extends GivenSheet {
  address: string;
}
