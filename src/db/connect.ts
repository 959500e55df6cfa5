import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import * as tables from './tables.ts';

export type Database = NodePgDatabase<typeof tables> & { $client: pg.Pool };
/** A database or a transaction in it. */
export type Queryable = Pick<
  Database,
  'select' | 'selectDistinctOn' | 'insert' | 'update' | 'delete' | 'execute' | '$count'
>;

/** Opens a pool on a PostgreSQL address. Nothing is asked of it until the first query. */
export function openDatabase(url: string): Database {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    application_name: 'margin',
    connectionTimeoutMillis: 5000,
  });
  // A connection that dies, idle or in the middle of a write, is replaced by the pool, and its query fails by itself.
  // Without these listeners it would end the process.
  pool.on('error', () => undefined);
  pool.on('connect', (client) => client.on('error', () => undefined));
  return drizzle({ client: pool, schema: tables });
}

/** Brings the tables up to date. `folder` holds the migrations. */
export async function migrateDatabase(db: Database, folder: string): Promise<void> {
  await migrate(db, { migrationsFolder: folder });
}
