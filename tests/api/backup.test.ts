import { createHash, randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdtemp, readFile, readdir, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { sql } from 'drizzle-orm';
import pg from 'pg';
import { scratchDatabases, TABLES, withScratch } from '#db/whole.ts';
import { addDevice, keepShopValue } from '#db/shop.ts';
import { readBackupFile, readCover } from '#server/backup/file.ts';
import { makeBackupKey, openBackupKey, type BackupKey } from '#server/backup/key.ts';
import { backupLines } from '#server/backup/lines.ts';
import { copyBackup, makeBackup, type Made } from '#server/backup/make.ts';
import { restoreInto } from '#server/backup/restore.ts';
import { loadDemo } from '#server/demo.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

const PASSPHRASE = 'three blue springs hang';
const migrations = resolve('src/db/migrations');
const now = new Date('2026-11-29T02:00:00Z');
let server: TestServer;
let folder: string;
let key: BackupKey;
let made: Made;

beforeAll(async () => {
  server = await startTestServer();
  folder = await mkdtemp(join(tmpdir(), 'margin-backups-'));
  await loadDemo(server.db, resolve('demo'));
  await server.db.execute(sql`
    insert into photos (id, job_id, corner, width, height, picture, small)
    select gen_random_uuid(), id, 'LF', 4, 3, '\\x00ff1022'::bytea, '\\x07'::bytea from jobs`);
  await server.db.execute(sql`
    insert into reading_pictures (id, job_id, corner, round, meta, picture)
    select gen_random_uuid(), id, 'LF', 0, '{"mm": 382.4}', '\\x00ff10'::bytea from jobs`);
  // Somebody has practised: a machine, a try of it, a challenge, a lesson.
  await server.db.execute(sql`
    insert into challenges (id, day, seed, level, machine_class)
    values ('00000000-0000-4000-8000-0000000000c1', '2026-11-28', 7, 'hard', 'car')`);
  await server.db.execute(sql`
    insert into practices (id, challenge_id, seed, level, machine_class, document, truth)
    select '00000000-0000-4000-8000-0000000000c2', '00000000-0000-4000-8000-0000000000c1', 7, 'hard', 'car', document, '{}' from jobs limit 1`);
  await server.db.execute(sql`
    insert into practice_tries (job_id, practice_id, way)
    select id, '00000000-0000-4000-8000-0000000000c2', 'own' from jobs limit 1`);
  await server.db.execute(sql`insert into lessons_done (who, lesson) values ('', 'friction')`);
  await keepShopValue(server.db, 'settings', {
    version: 1,
    shopName: 'Saltmarsh “Springs”\n',
    technicians: [],
    instruments: [],
  });
  await keepShopValue(server.db, 'session-secret', 'never told');
  await addDevice(server.db, { id: randomUUID(), name: 'Lost tablet', by: 'digits' });
  key = await makeBackupKey(PASSPHRASE);
  made = await makeBackup({ url: server.url, key, folder, program: 'test', migrations, now });
});
afterAll(async () => {
  await server.close();
  await rm(folder, { recursive: true, force: true });
});

test('every table is backed up, or is one of those that stay out', async () => {
  const { rows } = await server.db.execute<{ name: string }>(
    sql`select tablename as name from pg_tables where schemaname = 'public'`,
  );
  const out = ['session', 'devices', 'pairings', 'guesses', 'sheets'];
  expect(rows.map(({ name }) => name).sort()).toEqual([...TABLES, ...out].sort());
});

/** Everything in the tables that are backed up, in an order of its own. */
async function contents(url: string): Promise<Record<string, unknown[]>> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const all: Record<string, unknown[]> = {};
  for (const table of TABLES) {
    const some = table === 'shop' ? "where key in ('settings', 'logo')" : '';
    const { rows } = await client.query<{ row: string }>(
      `select to_jsonb(t)::text as row from ${table} t ${some} order by 1`,
    );
    all[table] = rows.map(({ row }) => row);
  }
  await client.end();
  return all;
}

let opened: Promise<string | null> | undefined;
/** What opens the backup, by its passphrase: worked out once, since it is made to take its time. */
const identity = async () =>
  (await (opened ??= readCover(made.path).then(({ cover }) => openBackupKey(cover, PASSPHRASE)))) ?? '';
const restored = <T>(work: (scratch: string) => Promise<T>) => withScratch(server.url, work);

test('a backup holds everything: restored, every row is what it was, to the last byte', async () => {
  expect(made.jobs).toBeGreaterThan(5);
  const opener = await identity();
  const back = await restored(async (scratch) => {
    await restoreInto(scratch, readBackupFile(made.path, opener), migrations);
    return contents(scratch);
  });
  const was = await contents(server.url);
  expect(was.photos?.length).toBe(made.jobs);
  expect(back).toEqual(was);
});

test('nobody reads it without the passphrase, nor as another user of the computer', async () => {
  const { cover } = await readCover(made.path);
  expect(await openBackupKey(cover, 'three blue springs hung')).toBeNull();
  expect((await stat(made.path)).mode & 0o077).toBe(0);
  const bytes = (await readFile(made.path)).toString('latin1');
  for (const secret of ['Curlew', 'Saltmarsh', 'AGE-SECRET-KEY', 'never told'])
    expect(bytes).not.toContain(secret);
});

test('sessions, devices, links and keys are not in it', async () => {
  let text = '';
  for await (const piece of readBackupFile(made.path, await identity())) text += piece;
  expect(text).toContain('Curlew');
  for (const secret of ['never told', 'Lost tablet', 'session-secret', 'passphrase', 'backup-key'])
    expect(text).not.toContain(secret);
});

test.each([
  [
    'a byte is another',
    (bytes: Buffer) => {
      bytes[bytes.length >> 1] = (bytes[bytes.length >> 1] ?? 0) ^ 1;
      return bytes;
    },
  ],
  ['the end is missing', (bytes: Buffer) => bytes.subarray(0, bytes.length - 200)],
  ['it is no backup', () => Buffer.from('invoices')],
])('damaged is not restored: %s', async (_what, damage) => {
  const path = join(folder, 'damaged');
  const opener = await identity();
  await writeFile(path, damage(await readFile(made.path)));
  await restored(async (scratch) => {
    await expect(restoreInto(scratch, readBackupFile(path, opener), migrations)).rejects.toThrow(/backup/);
    const client = new pg.Client({ connectionString: scratch });
    await client.connect();
    const { rows } = await client.query<{ there: boolean }>(
      "select to_regclass('jobs') is not null as there",
    );
    if (rows[0]?.there) expect((await client.query('select 1 from jobs')).rows).toHaveLength(0);
    await client.end();
  });
});

/** The lines of this database's backup, changed, with a checksum that fits. */
async function changedLines(change: (line: string) => string | null): Promise<string[]> {
  const client = new pg.Client({ connectionString: server.url });
  await client.connect();
  let text = '';
  for await (const piece of backupLines(client, 'test', now)) text += piece;
  await client.end();
  const lines = text
    .trimEnd()
    .split('\n')
    .slice(0, -1)
    .flatMap((line) => change(line) ?? []);
  const rows = Object.fromEntries(
    TABLES.map((table) => [table, lines.filter((line) => line.startsWith(`["${table}"`)).length]),
  );
  const body = lines.map((line) => `${line}\n`).join('');
  return [
    body,
    `${JSON.stringify({ end: true, rows, sha256: createHash('sha256').update(body).digest('hex') })}\n`,
  ];
}

const pieces = async function* (texts: string[]) { yield* texts; }; // oxfmt-ignore

test('a backup of an earlier version is brought up to date', async () => {
  const journal = JSON.parse(await readFile(join(migrations, 'meta', '_journal.json'), 'utf8')) as {
    entries: { tag: string; when: number }[];
  };
  const kits = journal.entries.find(({ tag }) => tag === '0011_kits')?.when;
  // Before there were entries with a name, pictures with readings, practice, and a table of the shop's own.
  const earlier = await changedLines((line) => {
    if (/^\["(shop|challenges|practices|practice_tries|lessons_done|reading_pictures)"/.test(line))
      return null;
    return line.replace(/"tablesOf":\d+/, `"tablesOf":${kits}`).replace(/"by": null,? ?/, '');
  });
  const back = await restored(async (scratch) => {
    await restoreInto(scratch, pieces(earlier), migrations);
    return contents(scratch);
  });
  const was = await contents(server.url);
  expect(back.entries).toEqual(was.entries);
  expect(back.jobs).toEqual(was.jobs);
});

test('a backup of a newer version is refused, with what to do', async () => {
  const newer = await changedLines((line) => line.replace(/"tablesOf":\d+/, '"tablesOf":9999999999999'));
  await restored((scratch) =>
    expect(restoreInto(scratch, pieces(newer), migrations)).rejects.toThrow(/made by a newer Margin/),
  );
});

test('a row of a table that is not Margin’s is refused', async () => {
  const odd = await changedLines((line) =>
    line.replace('["kits"', '["pg_authid"').replace('["jobs",', '["devices",'),
  );
  await restored((scratch) =>
    expect(restoreInto(scratch, pieces(odd), migrations)).rejects.toThrow(/no row of Margin/),
  );
});

test('a backup that cannot be put back leaves nothing that looks like one', async () => {
  const empty = await mkdtemp(join(tmpdir(), 'margin-backups-'));
  const wrong = { url: server.url, key, folder: empty, program: 'test', migrations: resolve('demo'), now };
  await expect(makeBackup(wrong)).rejects.toThrow();
  expect(await readdir(empty)).toEqual([]);
  expect(await scratchDatabases(server.url)).toEqual([]);
  await rm(empty, { recursive: true });
});

test('a copy goes to another folder whole; a folder that is not there is a fault', async () => {
  const other = await mkdtemp(join(tmpdir(), 'margin-copy-'));
  await copyBackup(made, other, now);
  expect(await readFile(join(other, made.file))).toEqual(await readFile(made.path));
  await rm(other, { recursive: true });
  await expect(copyBackup(made, other, now)).rejects.toThrow(/ENOENT/);
  expect(existsSync(other)).toBe(false);
});
