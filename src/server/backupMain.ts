import { resolve } from 'node:path';
import { openDatabase, type Database } from '#db/connect.ts';
import { shopValue } from '#db/shop.ts';
import { copyBackup, makeBackup, tidy, type Made } from './backup/make.ts';
import type { BackupKey } from './backup/key.ts';
import { keepStatus } from './backup/status.ts';

/** `npm run backup`, and every day by itself in a shop: one file with everything, checked. MARGIN_BACKUPS and MARGIN_BACKUP_COPY name folders. */
async function main(): Promise<void> {
  const { DATABASE_URL: url, MARGIN_FILES, MARGIN_BACKUPS, MARGIN_BACKUP_COPY: copy } = process.env;
  if (!url) throw new Error('expected DATABASE_URL, got none: use "npm run backup"');
  const folder = resolve(MARGIN_BACKUPS ?? resolve(MARGIN_FILES ?? '.margin', 'backups'));
  const db = openDatabase(url, { patient: true });
  const now = new Date();
  try {
    const made = await kept(db, { url, folder, now });
    process.stdout.write(
      `${made.path}\n${made.jobs} jobs, ${Math.ceil(made.bytes / 1000)} kB, opened again and found whole.\n`,
    );
    // A copy that fails is told by itself: the backup is there.
    await copied(db, made, copy, now);
  } finally {
    await db.$client.end();
  }
}

/** Makes a backup, and keeps how that went. */
async function kept(
  db: Database,
  { url, folder, now }: { url: string; folder: string; now: Date },
): Promise<Made> {
  const at = now.toISOString();
  try {
    const key = await shopValue<BackupKey>(db, 'backup-key');
    if (!key)
      throw new Error('A backup is locked with the passphrase: set one first, with "npm run passphrase".');
    const migrations = resolve('src/db/migrations');
    const made = await makeBackup({ url, key, folder, program: MARGIN_VERSION, migrations, now });
    const { file, bytes, jobs } = made;
    await keepStatus(db, { last: { at, file, bytes, jobs }, tried: { at, fault: null } });
    await tidy(folder, now);
    return made;
  } catch (error) {
    const fault = error instanceof Error ? error.message : 'It could not be made.';
    await keepStatus(db, { tried: { at, fault } }).catch(() => undefined);
    throw error;
  }
}

async function copied(db: Database, made: Made, folder: string | undefined, now: Date): Promise<void> {
  if (!folder) {
    await keepStatus(db, { copy: null });
    return;
  }
  try {
    await copyBackup(made, resolve(folder), now);
    await keepStatus(db, { copy: { at: now.toISOString(), folder, fault: null } });
    process.stdout.write(`Copied to ${folder}.\n`);
  } catch (error) {
    const fault = error instanceof Error ? error.message : 'It could not be copied.';
    await keepStatus(db, { copy: { at: now.toISOString(), folder, fault } });
    throw new Error(`The backup was made, but not copied to ${folder}: ${fault}`, { cause: error });
  }
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : 'No backup could be made.'}\n`);
  process.exit(1);
});
