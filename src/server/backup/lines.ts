import { createHash } from 'node:crypto';
import type pg from 'pg';

/**
 * A backup inside is text, a line each: what it is, then every row as the name of its table and the row as JSON, then how many there were
 * and the SHA-256 of all before. Rows are data: nothing in a backup is ever executed.
 */
export interface Head {
  margin: 'backup';
  format: 1;
  /** ISO time at which it was begun; every row is as of then. */
  made: string;
  program: string;
  /** The newest change of the tables that it knows, as the migrations count them, ms. */
  tablesOf: number;
}

export interface Tail {
  end: true;
  rows: Record<string, number>;
  sha256: string;
}

/** Every table that is backed up, each after those it points to. Sessions, devices, links and keys stay out. */
export const TABLES = [
  'jobs',
  'entries',
  'changes',
  'facts',
  'photos',
  'rack_springs',
  'kits',
  'shop',
] as const;
export type Table = (typeof TABLES)[number];

/** What goes along of a table that is not kept whole. */
const some: Partial<Record<Table, string>> = { shop: "where key = 'settings'" };

const ROWS_AT_ONCE = 100;

/** When the newest change of the tables was made that this database has, ms. */
async function tablesOf(client: pg.ClientBase): Promise<number> {
  const { rows } = await client.query<{ at: string }>(
    'select max(created_at) as at from drizzle.__drizzle_migrations',
  );
  return Number(rows[0]?.at ?? 0);
}

/** All lines of a backup, as of one moment, whatever is written meanwhile. */
export async function* backupLines(
  client: pg.ClientBase,
  program: string,
  now: Date,
): AsyncGenerator<string> {
  const hash = createHash('sha256');
  const counts: Record<string, number> = {};
  const out = (value: unknown) => {
    const line = `${typeof value === 'string' ? value : JSON.stringify(value)}\n`;
    hash.update(line);
    return line;
  };
  await client.query('begin isolation level repeatable read read only');
  try {
    yield out({
      margin: 'backup',
      format: 1,
      made: now.toISOString(),
      program,
      tablesOf: await tablesOf(client),
    } satisfies Head);
    for (const table of TABLES) {
      counts[table] = 0;
      await client.query(
        `declare all_rows no scroll cursor for select to_jsonb(t)::text as row from ${table} t ${some[table] ?? ''}`,
      );
      for (;;) {
        const { rows } = await client.query<{ row: string }>(`fetch ${ROWS_AT_ONCE} from all_rows`);
        if (rows.length === 0) break;
        counts[table] += rows.length;
        yield rows.map(({ row }) => out(`["${table}",${row}]`)).join('');
      }
      await client.query('close all_rows');
    }
    yield `${JSON.stringify({ end: true, rows: counts, sha256: hash.digest('hex') } satisfies Tail)}\n`;
  } finally {
    await client.query('rollback');
  }
}

/** What is wrong with a backup, told to the owner. */
export class BackupFault extends Error {}

/** Lines out of pieces of text. */
async function* linesOf(pieces: AsyncIterable<string>): AsyncGenerator<string> {
  let rest = '';
  for await (const piece of pieces) {
    const lines = (rest + piece).split('\n');
    rest = lines.pop() ?? '';
    yield* lines;
  }
  if (rest !== '') throw new BackupFault('The backup ends in the middle of a line: it is not whole.');
}

/**
 * Reads a backup: `begin` is told what it is, then `take` gets its rows, some of one table at a time. Throws a BackupFault where it is not
 * whole, or not as it was written.
 */
export async function readBackup(
  pieces: AsyncIterable<string>,
  begin: (head: Head) => Promise<void>,
  take: (table: Table, rows: string[]) => Promise<void>,
): Promise<Tail> {
  const hash = createHash('sha256');
  const counts = Object.fromEntries(TABLES.map((table) => [table, 0])) as Record<Table, number>;
  let head: Head | null = null;
  let tail: Tail | null = null;
  const batch: { table: Table | null; rows: string[] } = { table: null, rows: [] };
  const flush = async () => {
    if (batch.table && batch.rows.length > 0) await take(batch.table, batch.rows);
    batch.rows = [];
  };
  for await (const line of linesOf(pieces)) {
    if (tail) throw new BackupFault('There is more in the backup after its end.');
    if (!head) {
      head = headFrom(line);
      await begin(head);
    } else if (line.startsWith('{')) {
      tail = JSON.parse(line) as Tail;
      continue;
    } else {
      const { table, row } = rowFrom(line);
      counts[table] += 1;
      if (batch.table !== table || batch.rows.length >= ROWS_AT_ONCE) await flush();
      batch.table = table;
      batch.rows.push(row);
    }
    hash.update(`${line}\n`);
  }
  await flush();
  if (!tail) throw new BackupFault('The backup has no end: it is not whole.');
  if (tail.sha256 !== hash.digest('hex')) throw new BackupFault('The backup is not as it was written.');
  for (const table of TABLES)
    if (counts[table] !== tail.rows[table])
      throw new BackupFault(`The backup lacks rows of ${table}: ${counts[table]} of ${tail.rows[table]}.`);
  return tail;
}

function headFrom(line: string): Head {
  const head = JSON.parse(line) as Partial<Head>;
  if (head.margin !== 'backup' || head.format !== 1)
    throw new BackupFault('This is not a backup that this version can read.');
  return head as Head;
}

const ROW = /^\["([a-z_]+)",(\{.*\})\]$/;

function rowFrom(line: string): { table: Table; row: string } {
  const [, name, row = ''] = ROW.exec(line) ?? [];
  const table = TABLES.find((one) => one === name);
  if (!table) throw new BackupFault('There is something in the backup that is no row of Margin’s.');
  return { table, row };
}
