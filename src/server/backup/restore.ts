import { randomBytes } from 'node:crypto';
import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { migrateDatabase, openDatabase } from '#db/connect.ts';
import { BackupFault, readBackup, type Head, type Table, type Tail } from './lines.ts';

interface Journal {
  entries: { when: number }[];
}

/** Brings an empty database to the tables that a backup knows: the migrations up to then, and no later ones. */
async function makeTables(url: string, migrations: string, tablesOf: number): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'margin-tables-'));
  try {
    await cp(migrations, folder, { recursive: true });
    const file = join(folder, 'meta', '_journal.json');
    const journal = JSON.parse(await readFile(file, 'utf8')) as Journal;
    if (!journal.entries.some(({ when }) => when === tablesOf))
      throw new BackupFault('This backup was made by a newer Margin: bring this one up to date first.');
    const entries = journal.entries.filter(({ when }) => when <= tablesOf);
    await writeFile(file, JSON.stringify({ ...journal, entries }));
    await migrated(url, folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function migrated(url: string, folder: string): Promise<void> {
  const db = openDatabase(url, { patient: true });
  try {
    await migrateDatabase(db, folder);
  } finally {
    await db.$client.end();
  }
}

/**
 * Puts the lines of a backup into an empty database, brought up to date then. Throws a BackupFault where the backup is not whole, from a newer
 * program, or not as it was written; nothing else is touched.
 */
export async function restoreInto(
  url: string,
  pieces: AsyncIterable<string>,
  migrations: string,
): Promise<{ head: Head; tail: Tail }> {
  let known: Head | null = null;
  const client = new pg.Client({ connectionString: url });
  client.on('error', () => undefined);
  try {
    const begin = async (head: Head) => {
      known = head;
      await makeTables(url, migrations, head.tablesOf);
      await client.connect();
      await client.query('begin');
    };
    const take = async (table: Table, rows: string[]) => {
      await client.query(
        `insert into ${table} select * from jsonb_populate_recordset(null::${table}, $1::jsonb)`,
        [`[${rows.join(',')}]`],
      );
    };
    const tail = await readBackup(pieces, begin, take);
    await client.query('commit');
    await migrated(url, migrations);
    return { head: known as unknown as Head, tail };
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Another database of the same PostgreSQL. */
function urlOf(url: string, database: string): string {
  const other = new URL(url);
  other.pathname = `/${database}`;
  return other.toString();
}

/** Runs one statement as the owner, in the database that is always there. */
export async function onServer<T extends pg.QueryResultRow>(
  url: string,
  ...statements: string[]
): Promise<T[]> {
  const client = new pg.Client({ connectionString: urlOf(url, 'postgres') });
  await client.connect();
  try {
    let rows: T[] = [];
    for (const statement of statements) ({ rows } = await client.query<T>(statement));
    return rows;
  } finally {
    await client.end();
  }
}

/** An empty database of its own name beside the shop's, for `work`; dropped afterwards unless `work` gives it another name. */
export async function withScratch<T>(
  url: string,
  work: (scratch: string, name: string) => Promise<T>,
): Promise<T> {
  const name = `margin_scratch_${randomBytes(6).toString('hex')}`;
  await onServer(url, `create database ${name}`);
  try {
    return await work(urlOf(url, name), name);
  } finally {
    await onServer(url, `drop database if exists ${name} with (force)`);
  }
}
