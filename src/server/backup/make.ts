import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { copyFile, mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { generateX25519Identity, identityToRecipient } from 'age-encryption';
import { withClient, withScratch } from '#db/whole.ts';
import { backupLines } from './lines.ts';
import { onDisk, readBackupFile, writeBackupFile } from './file.ts';
import { backupName, outdated } from './keep.ts';
import type { BackupKey } from './key.ts';
import { restoreInto } from './restore.ts';

export interface Made {
  path: string;
  file: string;
  bytes: number;
  jobs: number;
}

interface Asked {
  url: string;
  key: BackupKey;
  folder: string;
  program: string;
  migrations: string;
  now: Date;
}

/**
 * Makes a backup in `folder`, opens it again and puts it into a scratch database whole before it counts. It is locked for the passphrase,
 * and for a key that lives only as long as this check.
 */
export async function makeBackup({ url, key, folder, program, migrations, now }: Asked): Promise<Made> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = backupName(now);
  const path = join(folder, file);
  const checkKey = await generateX25519Identity();
  const recipients = [key.recipient, await identityToRecipient(checkKey)];
  // Under another name until it has been checked: a backup that cannot be opened must not pass for one.
  const unchecked = `${path}.unchecked`;
  try {
    await withClient(url, (client) =>
      writeBackupFile(unchecked, backupLines(client, program, now), { locked: key.locked, recipients }),
    );
    const { tail } = await withScratch(url, (scratch) =>
      restoreInto(scratch, readBackupFile(unchecked, checkKey), migrations),
    );
    await rename(unchecked, path);
    return { path, file, bytes: (await stat(path)).size, jobs: tail.rows.jobs ?? 0 };
  } finally {
    await rm(unchecked, { force: true });
  }
}

/** Removes backups of a folder that the rule no longer keeps. */
export async function tidy(folder: string, now: Date): Promise<void> {
  for (const name of outdated(await readdir(folder), now)) await rm(join(folder, name), { force: true });
}

/** Copies a backup to another disk or computer, whole or not at all, and keeps that folder by the same rule. */
export async function copyBackup({ path, file }: Made, folder: string, now: Date): Promise<void> {
  const part = join(folder, `${file}.part`);
  try {
    await copyFile(path, part);
    await onDisk(part);
    if ((await hashOf(part)) !== (await hashOf(path))) throw new Error('the copy is not the same');
    await rename(part, join(folder, file));
  } finally {
    await rm(part, { force: true });
  }
  await tidy(folder, now);
}

async function hashOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}
