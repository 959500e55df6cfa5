import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrateDatabase, openDatabase } from '#db/connect.ts';
import { insertRows, withClient } from '#db/whole.ts';
import { BackupFault, readBackup, type Head, type Tail } from './lines.ts';

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
  const tail = await withClient(url, async (client) => {
    const begin = async (head: Head) => {
      known = head;
      await makeTables(url, migrations, head.tablesOf);
      await client.query('begin');
    };
    const read = await readBackup(pieces, begin, (table, rows) => insertRows(client, table, rows));
    await client.query('commit');
    return read;
  });
  await migrated(url, migrations);
  return { head: known as unknown as Head, tail };
}
