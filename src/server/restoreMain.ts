import { resolve } from 'node:path';
import { isInUse, swapIn, withScratch } from '#db/whole.ts';
import { readBackupFile, readCover } from './backup/file.ts';
import { openBackupKey } from './backup/key.ts';
import { restoreInto } from './backup/restore.ts';
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
  if (await isInUse(url)) throw new Error('Margin is running: end it first, then restore.');
  const { cover } = await readCover(path);
  const identity = await openBackupKey(cover, await askSecret('Passphrase of when the backup was made: '));
  if (!identity) throw new Error('That is not the passphrase of this backup.');
  const before = `margin_before_${new Date().toISOString().slice(0, 19).replace(/\D/g, '')}`;
  const jobs = await withScratch(url, async (scratch) => {
    const { tail } = await restoreInto(scratch, readBackupFile(path, identity), resolve('src/db/migrations'));
    await swapIn(url, scratch, before);
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
