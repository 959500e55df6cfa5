import { resolve } from 'node:path';
import { openDatabase, type Database } from '#db/connect.ts';
import { shopValue } from '#db/shop.ts';
import { copyBackup, makeBackup, tidy } from './backup/make.ts';
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
    const key = await shopValue<BackupKey>(db, 'backup-key');
    if (!key)
      throw new Error('A backup is locked with the passphrase: set one first, with "npm run passphrase".');
    const made = await makeBackup({
      url,
      key,
      folder,
      program: MARGIN_VERSION,
      migrations: resolve('src/db/migrations'),
      now,
    });
    const { file, bytes, jobs } = made;
    await keepStatus(db, {
      last: { at: now.toISOString(), file, bytes, jobs },
      tried: { at: now.toISOString(), fault: null },
    });
    await tidy(folder, now);
    process.stdout.write(
      `${made.path}\n${jobs} jobs, ${Math.ceil(bytes / 1000)} kB, opened again and found whole.\n`,
    );
    await copied(db, made, copy, now);
  } catch (error) {
    const fault = error instanceof Error ? error.message : 'It could not be made.';
    await keepStatus(db, { tried: { at: now.toISOString(), fault } }).catch(() => undefined);
    throw error;
  } finally {
    await db.$client.end();
  }
}

async function copied(
  db: Database,
  made: Awaited<ReturnType<typeof makeBackup>>,
  folder: string | undefined,
  now: Date,
): Promise<void> {
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
