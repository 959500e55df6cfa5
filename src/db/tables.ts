import type { JobLine } from '#core/analysis/line.ts';
import { sql } from 'drizzle-orm';
import {
  boolean,
  customType,
  date,
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
import type { Shelved } from '#contract/api.ts';
import type { PictureMeta } from '#contract/pictures.ts';
import type { KitValues } from '#core/kits/kit.ts';
import type { RackTorsion } from '#core/rack/spring.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { JobDocument, Op } from '#core/document/types.ts';

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
    /** What lists are found and put in order by, out of the document and the line. */
    name: text('name').notNull().default(''),
    title: text('title').notNull().default(''),
    machineKey: uuid('machine_key'),
    settingsCount: integer('settings_count').notNull().default(0),
    kitsCount: integer('kits_count').notNull().default(0),
    locked: boolean('locked').notNull().default(false),
    due: date('due', { mode: 'string' }),
    /** Out of the way: archived, deleted, or no job at all but practice; null where it stands in the list. */
    away: text('away').$type<Shelved>(),
    createdAt: instant('created_at').notNull().defaultNow(),
    updatedAt: instant('updated_at').notNull().defaultNow(),
  },
  (table) => [
    // Those put away are few and looked for seldom.
    index('jobs_of_the_day')
      .on(table.locked, table.due, table.updatedAt.desc().nullsFirst(), table.id)
      .where(sql`${table.away} is null`),
    index('jobs_of_a_machine').on(table.machineKey),
    index('jobs_with_kits')
      .on(table.updatedAt, table.id)
      .where(sql`${table.kitsCount} > 0`),
  ],
);

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** Pictures of where the tape is held, by corner: small JPEGs without anything but the picture. */
export const photos = pgTable(
  'photos',
  {
    id: uuid('id').primaryKey(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    corner: text('corner').$type<CornerId>().notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    picture: bytes('picture').notNull(),
    small: bytes('small').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (table) => [index('photos_of_a_job').on(table.jobId)],
);

/** Pictures that heights were read off: the part with the wheel, and how it was read. Apart from the pictures of points. */
export const readingPictures = pgTable(
  'reading_pictures',
  {
    id: uuid('id').primaryKey(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    corner: text('corner').$type<CornerId>().notNull(),
    round: integer('round').notNull(),
    meta: jsonb('meta').$type<PictureMeta>().notNull(),
    picture: bytes('picture').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (table) => [index('reading_pictures_of_a_job').on(table.jobId)],
);

/** Springs on the shelf and in the catalogue. Lengths in mm, forces in N, rates in N/mm. */
export const rackSprings = pgTable(
  'rack_springs',
  {
    id: uuid('id').primaryKey(),
    version: integer('version').notNull(),
    name: text('name').notNull(),
    rateNPerMm: doublePrecision('rate_n_per_mm'),
    rows: jsonb('rows').$type<[number, number][]>(),
    freeLengthMm: doublePrecision('free_length_mm'),
    solidLengthMm: doublePrecision('solid_length_mm'),
    wireMm: doublePrecision('wire_mm'),
    coils: doublePrecision('coils'),
    innerMm: doublePrecision('inner_mm'),
    maxN: doublePrecision('max_n'),
    tender: boolean('tender').notNull(),
    torsion: jsonb('torsion').$type<RackTorsion>(),
    stock: integer('stock').notNull(),
    note: text('note').notNull(),
    updatedAt: instant('updated_at').notNull().defaultNow(),
  },
  (table) => [index('rack_springs_by_name').on(table.name, table.id)],
);

/** Sheets of kits, each as a whole: `name` is what lists go by. */
export const kits = pgTable(
  'kits',
  {
    id: uuid('id').primaryKey(),
    version: integer('version').notNull(),
    name: text('name').notNull(),
    kit: jsonb('kit').$type<KitValues>().notNull(),
    updatedAt: instant('updated_at').notNull().defaultNow(),
  },
  (table) => [index('kits_by_name').on(table.name, table.id)],
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
    /** Who wrote it, where that was said. */
    by: text('by'),
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

/** What was seen or done. */
export const facts = pgTable(
  'facts',
  {
    ...entryKey(),
    kind: text('kind').notNull(),
    round: integer('round').notNull(),
    corner: text('corner'),
    slot: text('slot').notNull(),
    /** The kind's own fields, each under the name of its unit; empty ones left out. */
    fields: jsonb('fields').$type<Record<string, unknown>>().notNull(),
    replaces: uuid('replaces'),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.seq] }),
    foreignKey({ columns: [table.jobId, table.seq], foreignColumns: [entries.jobId, entries.seq] }),
  ],
);
