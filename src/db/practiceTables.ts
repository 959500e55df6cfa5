import {
  boolean,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';
import type { PracticeLevel, PracticeWay } from '#core/practiceKinds.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import type { JobDocument } from '#core/document/types.ts';
import { jobs } from './tables.ts';

const instant = (name: string) => timestamp(name, { withTimezone: true });

/** Machines that several practise on: that of a day, and those given on by a link, which shows their id and no more. */
export const challenges = pgTable('challenges', {
  id: uuid('id').primaryKey(),
  /** Null for one that was given on. */
  day: date('day', { mode: 'string' }).unique(),
  seed: integer('seed').notNull(),
  level: text('level').$type<PracticeLevel>().notNull(),
  machineClass: text('machine_class').$type<MachineClass>().notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
});

/** Practice machines. What is hidden stands in `truth` and `seed`, and never leaves the server before it is opened. */
export const practices = pgTable(
  'practices',
  {
    id: uuid('id').primaryKey(),
    challengeId: uuid('challenge_id').references(() => challenges.id),
    seed: integer('seed').notNull(),
    level: text('level').$type<PracticeLevel>().notNull(),
    machineClass: text('machine_class').$type<MachineClass>().notNull(),
    document: jsonb('document').$type<JobDocument>().notNull(),
    truth: jsonb('truth').notNull(),
    /** Who practises, by name; empty where nobody in particular. */
    who: text('who').notNull().default(''),
    opened: boolean('opened').notNull().default(false),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (table) => [
    index('practices_of_a_challenge').on(table.challengeId),
    index('practices_newest').on(table.createdAt),
  ],
);

/** How a try ended. */
export interface KeptResult {
  rounds: number;
  minutes: number;
  landed: { now: boolean; later: boolean };
}

/** Each time a practice machine is set up, as a job of its own. */
export const practiceTries = pgTable(
  'practice_tries',
  {
    jobId: uuid('job_id')
      .primaryKey()
      .references(() => jobs.id),
    practiceId: uuid('practice_id')
      .notNull()
      .references(() => practices.id),
    way: text('way').$type<PracticeWay>().notNull(),
    readings: integer('readings').notNull().default(0),
    /** Null while it goes on. */
    result: jsonb('result').$type<KeptResult>(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (table) => [index('tries_of_a_practice').on(table.practiceId)],
);

/** What somebody has learnt: lessons done, by name. */
export const lessonsDone = pgTable(
  'lessons_done',
  {
    who: text('who').notNull(),
    lesson: text('lesson').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.who, table.lesson] })],
);
