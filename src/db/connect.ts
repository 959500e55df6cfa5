import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import { sql } from 'drizzle-orm';
import pg from 'pg';
import * as tables from './tables.ts';

export type Database = NodePgDatabase<typeof tables> & { $client: pg.Pool };
/** A database or a transaction in it. */
export type Queryable = Pick<
  Database,
  'select' | 'selectDistinctOn' | 'insert' | 'update' | 'delete' | 'execute' | '$count'
>;

/** ms. A request is answered before the page gives up on it: what takes longer, or waits for somebody's lock, is let go. */
const HASTY = { statement_timeout: 10_000, lock_timeout: 5000, idle_in_transaction_session_timeout: 15_000 };

/**
 * Opens a pool on a PostgreSQL address. Nothing is asked of it until the first query. `patient` is for work that no page
 * waits for, such as bringing tables up to date: it may take as long as it takes.
 */
export function openDatabase(url: string, { patient = false } = {}): Database {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    application_name: 'margin',
    connectionTimeoutMillis: 5000,
    ...(patient ? {} : HASTY),
  });
  // A connection that dies, idle or in the middle of a write, is replaced by the pool, and its query fails by itself.
  // Without these listeners it would end the process.
  pool.on('error', () => undefined);
  pool.on('connect', (client) => client.on('error', () => undefined));
  return drizzle({ client: pool, schema: tables });
}

/** Brings the tables up to date. `folder` holds the migrations. Throws where a newer program has changed them already. */
export async function migrateDatabase(db: Database, folder: string): Promise<void> {
  const newest = Math.max(...readMigrationFiles({ migrationsFolder: folder }).map((one) => one.folderMillis));
  const { rows } = await db.execute<{ there: boolean }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  );
  if (rows[0]?.there) {
    const { rows: kept } = await db.execute<{ at: string | null }>(
      sql`select max(created_at) as at from drizzle.__drizzle_migrations`,
    );
    if (Number(kept[0]?.at ?? 0) > newest)
      throw new Error(
        'This database was written by a newer Margin. Bring this one up to date, and start again.',
      );
  }
  await migrate(db, { migrationsFolder: folder });
}
