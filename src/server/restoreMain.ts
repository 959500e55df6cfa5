import { resolve } from 'node:path';
import { readBackupFile, readCover } from './backup/file.ts';
import { openBackupKey } from './backup/key.ts';
import { onServer, restoreInto, withScratch } from './backup/restore.ts';
import { askSecret } from './askSecret.ts';

/**
 * `npm run restore -- FILE`: puts a backup in the place of what is there. What is there stays, under another name, until somebody drops it.
 * Devices, sessions and the passphrase do not come along.
 */
async function main(): Promise<void> {
  const url = process.env.DATABASE_URL;
  const [path] = process.argv.slice(2);
  if (!url) throw new Error('expected DATABASE_URL, got none: use "npm run restore"');
  if (!path) throw new Error('Name the backup: npm run restore -- FILE');
  const database = new URL(url).pathname.slice(1);
  const [busy] = await onServer<{ count: string }>(
    url,
    `select count(*) from pg_stat_activity where datname = '${database.replaceAll("'", "''")}'`,
  );
  if (Number(busy?.count) > 0) throw new Error('Margin is running: end it first, then restore.');
  const { cover } = await readCover(path);
  const identity = await openBackupKey(cover, await askSecret('Passphrase of when the backup was made: '));
  if (!identity) throw new Error('That is not the passphrase of this backup.');
  const before = `margin_before_${new Date().toISOString().slice(0, 19).replace(/\D/g, '')}`;
  const jobs = await withScratch(url, async (scratch, name) => {
    const { tail } = await restoreInto(scratch, readBackupFile(path, identity), resolve('src/db/migrations'));
    await onServer(
      url,
      `alter database "${database}" rename to ${before}`,
      `alter database ${name} rename to "${database}"`,
    );
    return tail.rows.jobs;
  });
  process.stdout.write(
    `${jobs} jobs are back. What was there before is kept as the database ${before}.\nSet a passphrase with "npm run passphrase": every device has to come in again.\n`,
  );
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : 'It could not be restored.'}\n`);
  process.exit(1);
});
