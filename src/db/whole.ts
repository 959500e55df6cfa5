import { randomBytes } from 'node:crypto';
import pg from 'pg';

/** Every table that is backed up, each after those it points to. Sessions, devices, links and keys stay out. */
export const TABLES = [
  'jobs',
  'entries',
  'changes',
  'facts',
  'photos',
  'reading_pictures',
  'rack_springs',
  'kits',
  'challenges',
  'practices',
  'practice_tries',
  'lessons_done',
  'shop',
] as const;
export type Table = (typeof TABLES)[number];

/** What goes along of a table that is not kept whole. */
const some: Partial<Record<Table, string>> = { shop: "where key in ('settings', 'logo')" };

const ROWS_AT_ONCE = 100;
/** Pictures are large: few of them are held at a time. */
const PICTURES_AT_ONCE = 8;

/** When the newest change of the tables was made that this database has, ms. */
async function tablesOf(client: pg.ClientBase): Promise<number> {
  const { rows } = await client.query<{ at: string }>(
    'select max(created_at) as at from drizzle.__drizzle_migrations',
  );
  return Number(rows[0]?.at ?? 0);
}

/** A connection for work of its own, ended afterwards. */
export async function withClient<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url, application_name: 'margin backup' });
  // A connection that is lost fails its query; without this it would end the process.
  client.on('error', () => undefined);
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end().catch(() => undefined);
  }
}

/**
 * Every row of every table as of one moment, whatever is written meanwhile: first what the tables are of, then some rows of one table at a
 * time, each row as JSON text.
 */
export async function* wholeDatabase(
  client: pg.ClientBase,
): AsyncGenerator<{ tablesOf: number } | { table: Table; rows: string[] }> {
  await client.query('begin isolation level repeatable read read only');
  try {
    yield { tablesOf: await tablesOf(client) };
    for (const table of TABLES) {
      const query = `select to_jsonb(t)::text as row from ${table} t ${some[table] ?? ''}`;
      await client.query(`declare all_rows no scroll cursor for ${query}`);
      const count = table === 'photos' || table === 'reading_pictures' ? PICTURES_AT_ONCE : ROWS_AT_ONCE;
      for (;;) {
        const { rows } = await client.query<{ row: string }>(`fetch ${count} from all_rows`);
        if (rows.length === 0) break;
        yield { table, rows: rows.map(({ row }) => row) };
      }
      await client.query('close all_rows');
    }
  } finally {
    await client.query('rollback');
  }
}

/** Puts rows into a table as they were read: as data, field by field. */
export async function insertRows(
  client: pg.ClientBase,
  table: Table,
  rows: readonly string[],
): Promise<void> {
  const query = `insert into ${table} select * from jsonb_populate_recordset(null::${table}, $1::jsonb)`;
  await client.query(query, [`[${rows.join(',')}]`]);
}

/** Another database of the same PostgreSQL. */
function urlOf(url: string, database: string): string {
  const other = new URL(url);
  other.pathname = `/${database}`;
  return other.toString();
}

/** Work in the database that is always there, where others are made and renamed. */
const onServer = <T>(url: string, work: (client: pg.Client) => Promise<T>) =>
  withClient(urlOf(url, 'postgres'), work);

const SCRATCH = 'margin_scratch_';

/** An empty database beside the shop's, for `work`; dropped afterwards unless it was given another name. */
export async function withScratch<T>(url: string, work: (scratch: string) => Promise<T>): Promise<T> {
  const name = `${SCRATCH}${randomBytes(6).toString('hex')}`;
  await onServer(url, (client) => client.query(`create database ${name}`));
  try {
    return await work(urlOf(url, name));
  } finally {
    await onServer(url, (client) => client.query(`drop database if exists ${name} with (force)`));
  }
}

/** Names of scratch databases that are there. */
export async function scratchDatabases(url: string): Promise<string[]> {
  const { rows } = await onServer(url, (client) =>
    client.query<{ name: string }>('select datname as name from pg_database where starts_with(datname, $1)', [
      SCRATCH,
    ]),
  );
  return rows.map(({ name }) => name);
}

const nameOf = (url: string) => decodeURIComponent(new URL(url).pathname.slice(1));

/** Whether anybody else works on a database. */
export async function isInUse(url: string): Promise<boolean> {
  const { rows } = await onServer(url, (client) =>
    client.query('select 1 from pg_stat_activity where datname = $1', [nameOf(url)]),
  );
  return rows.length > 0;
}

/** Puts a scratch database in the place of the shop's, which is kept under `before`. Both or neither. */
export async function swapIn(url: string, scratch: string, before: string): Promise<void> {
  const quoted = (name: string) => pg.escapeIdentifier(name);
  await onServer(url, async (client) => {
    await client.query('begin');
    await client.query(`alter database ${quoted(nameOf(url))} rename to ${quoted(before)}`);
    await client.query(`alter database ${quoted(nameOf(scratch))} rename to ${quoted(nameOf(url))}`);
    await client.query('commit');
  });
}
