import { index, integer, json, jsonb, pgTable, text, timestamp, uuid, varchar } from 'drizzle-orm/pg-core';

const instant = (name: string) => timestamp(name, { withTimezone: true });

/** What the shop keeps of itself, by name: its passphrase's hash, what its backups are locked with, its settings. */
export const shop = pgTable('shop', {
  key: text('key').primaryKey(),
  value: jsonb('value').notNull(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
});

/** Who is signed in, as connect-pg-simple keeps it. */
export const sessions = pgTable(
  'session',
  {
    sid: varchar('sid').primaryKey(),
    sess: json('sess').notNull(),
    expire: timestamp('expire', { precision: 6 }).notNull(),
  },
  (table) => [index('session_expire').on(table.expire)],
);

/** Tablets and computers that were let in. Removed ones stay, so that each can be told of it at its next contact. */
export const devices = pgTable('devices', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  /** Who works with it, by name; empty where nobody was chosen. */
  technician: text('technician').notNull().default(''),
  /** How it came in: by the passphrase, by its six digits, or by a picture code. */
  by: text('by').$type<'passphrase' | 'digits' | 'code'>().notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  seenAt: instant('seen_at').notNull().defaultNow(),
  removedAt: instant('removed_at'),
});

/**
 * Those at the door: each waits with a secret of its own, of which only the hash is kept. One made by a device that is in (a picture
 * code) has no digits.
 */
export const pairings = pgTable(
  'pairings',
  {
    secretHash: text('secret_hash').primaryKey(),
    digits: text('digits'),
    name: text('name').notNull(),
    address: text('address').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
    /** The device that let it in. */
    letInBy: uuid('let_in_by'),
  },
  (table) => [index('pairings_by_digits').on(table.digits)],
);

/** Wrong guesses, by who guessed: a device or an address, and at what. */
export const guesses = pgTable('guesses', {
  who: text('who').primaryKey(),
  failures: integer('failures').notNull(),
  /** No guess of theirs is looked at before. */
  waitUntil: instant('wait_until').notNull(),
  at: instant('at').notNull().defaultNow(),
});

/** Sheets that were given out as a link: each as it stood then. Of its secret only the hash is kept. */
export const sheets = pgTable(
  'sheets',
  {
    id: uuid('id').primaryKey(),
    secretHash: text('secret_hash').notNull().unique(),
    jobId: uuid('job_id').notNull(),
    title: text('title').notNull(),
    /** The whole page, as it is served. */
    page: text('page').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
    expiresAt: instant('expires_at').notNull(),
  },
  (table) => [index('sheets_of_a_job').on(table.jobId)],
);
