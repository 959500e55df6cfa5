import { createHash } from 'node:crypto';
import type pg from 'pg';
import { TABLES, wholeDatabase, type Table } from '#db/whole.ts';

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

/** Rows handed on at once, and how many characters they may have together. */
const ROWS_AT_ONCE = 100;
const TEXT_AT_ONCE = 8_000_000;

/** All lines of a backup, as of one moment, whatever is written meanwhile. */
export async function* backupLines(
  client: pg.ClientBase,
  program: string,
  now: Date,
): AsyncGenerator<string> {
  const hash = createHash('sha256');
  const counts = Object.fromEntries(TABLES.map((table) => [table, 0])) as Record<Table, number>;
  const hashed = (text: string) => {
    hash.update(text);
    return text;
  };
  for await (const part of wholeDatabase(client)) {
    if ('tablesOf' in part) {
      const head: Head = { margin: 'backup', format: 1, made: now.toISOString(), program, ...part };
      yield hashed(`${JSON.stringify(head)}\n`);
    } else {
      counts[part.table] += part.rows.length;
      yield hashed(part.rows.map((row) => `["${part.table}",${row}]\n`).join(''));
    }
  }
  yield `${JSON.stringify({ end: true, rows: counts, sha256: hash.digest('hex') } satisfies Tail)}\n`;
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
  const batch: { table: Table | null; rows: string[]; length: number } = { table: null, rows: [], length: 0 };
  const flush = async () => {
    if (batch.table && batch.rows.length > 0) await take(batch.table, batch.rows);
    batch.rows = [];
    batch.length = 0;
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
      if (batch.table !== table || batch.rows.length >= ROWS_AT_ONCE || batch.length > TEXT_AT_ONCE)
        await flush();
      batch.table = table;
      batch.rows.push(row);
      batch.length += row.length;
    }
    hash.update(`${line}\n`);
  }
  await flush();
  if (!tail) throw new BackupFault('The backup has no end: it is not whole.');
  if (tail.sha256 !== hash.digest('hex')) throw new BackupFault('The backup is not as it was written.');
  for (const table of TABLES)
    // A backup from before a table was there has none of it.
    if (counts[table] !== (tail.rows[table] ?? 0))
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
