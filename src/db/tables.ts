import {
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { JobLine } from '#core/job/line.ts';
import type { JobDocument, Op, ToldPlan } from '#core/job/types.ts';

const instant = (name: string) => timestamp(name, { withTimezone: true });

/** One row a job: its description as of `version`. */
export const jobs = pgTable(
  'jobs',
  {
    id: uuid('id').primaryKey(),
    version: integer('version').notNull(),
    document: jsonb('document').$type<JobDocument>().notNull(),
    /** What lists show of it, as worked out for `lineVersion` by `lineRevision` of the program; made anew when either is old. */
    line: jsonb('line').$type<JobLine>(),
    lineVersion: integer('line_version'),
    lineRevision: integer('line_revision'),
    createdAt: instant('created_at').notNull().defaultNow(),
    updatedAt: instant('updated_at').notNull().defaultNow(),
  },
  (table) => [index('jobs_last_touched').on(table.updatedAt.desc(), table.id)],
);

/** Everything that ever happened to a job, in order. Rows are appended and never changed. */
export const entries = pgTable(
  'entries',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    seq: integer('seq').notNull(),
    id: uuid('id').notNull(),
    type: text('type').$type<'change' | 'fact' | 'withdraw'>().notNull(),
    /** When it happened, by the writer's clock, and when it was kept. */
    at: instant('at').notNull(),
    recordedAt: instant('recorded_at').notNull().defaultNow(),
    label: text('label').notNull(),
    undoOf: uuid('undo_of'),
    redoOf: uuid('redo_of'),
    /** Type withdraw: the entry taken back. */
    of: uuid('of'),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.seq] }),
    uniqueIndex('entries_id').on(table.jobId, table.id),
  ],
);

const entryKey = () => ({ jobId: uuid('job_id').notNull(), seq: integer('seq').notNull() });

/** The replacements of a change entry, with what was there: history and undo. */
export const changes = pgTable(
  'changes',
  { ...entryKey(), ops: jsonb('ops').$type<Op[]>().notNull() },
  (table) => [
    primaryKey({ columns: [table.jobId, table.seq] }),
    foreignKey({ columns: [table.jobId, table.seq], foreignColumns: [entries.jobId, entries.seq] }),
  ],
);

/** What was seen or done. Measurements in mm. */
export const facts = pgTable(
  'facts',
  {
    ...entryKey(),
    kind: text('kind').notNull(),
    round: integer('round').notNull(),
    corner: text('corner'),
    slot: text('slot').notNull(),
    valueMm: doublePrecision('value_mm'),
    askedMm: doublePrecision('asked_mm'),
    how: text('how'),
    told: jsonb('told').$type<ToldPlan>(),
    replaces: uuid('replaces'),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.seq] }),
    foreignKey({ columns: [table.jobId, table.seq], foreignColumns: [entries.jobId, entries.seq] }),
  ],
);
