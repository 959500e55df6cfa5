import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { pipeline, Readable, type Transform } from 'node:stream';
import { pipeline as piped } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { Decrypter, Encrypter } from 'age-encryption';
import { BackupFault } from './lines.ts';
import type { BackupKey } from './key.ts';

/**
 * A backup file: one line of JSON with what opens it once the passphrase is given, then the lines of the backup, gzipped and locked (age).
 */
interface Cover {
  margin: 'locked backup';
  locked: string;
}

const MOST_COVER_BYTES = 10_000;

/** Writes a backup beside `path` and renames it when it is whole. Any of `recipients` opens it. Only its owner may read it. */
export async function writeBackupFile(
  path: string,
  lines: AsyncIterable<string>,
  { locked, recipients }: Pick<BackupKey, 'locked'> & { recipients: string[] },
): Promise<void> {
  const lock = new Encrypter();
  recipients.forEach((one) => lock.addRecipient(one));
  const cover: Cover = { margin: 'locked backup', locked };
  const part = `${path}.part`;
  try {
    const squeezed = Readable.toWeb(
      chained(Readable.from(lines), createGzip()),
    ) as ReadableStream<Uint8Array>;
    const stream = await lock.encrypt(squeezed);
    const file = createWriteStream(part, { mode: 0o600 });
    file.write(`${JSON.stringify(cover)}\n`);
    await piped(Readable.fromWeb(stream as never), file);
    await onDisk(part);
    await rename(part, path);
  } finally {
    await rm(part, { force: true });
  }
}

/** What comes out of `through`; whatever goes wrong before it fails its reader. */
const chained = (from: Readable, through: Transform): Transform => pipeline(from, through, () => undefined);

/** Waits until a file is on its disk, and not only on its way there: a power cut must not empty it. */
export async function onDisk(path: string): Promise<void> {
  const file = await open(path, 'r+');
  try {
    await file.sync();
  } finally {
    await file.close();
  }
}

/** What stands before the locked part. Throws a BackupFault where the file is no backup. */
export async function readCover(path: string): Promise<{ cover: Cover; bytes: number }> {
  const file = await open(path, 'r');
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(MOST_COVER_BYTES), 0, MOST_COVER_BYTES, 0);
    const end = buffer.subarray(0, bytesRead).indexOf('\n');
    const cover = (end < 0 ? null : parsed(buffer.subarray(0, end).toString())) as Cover | null;
    if (cover?.margin !== 'locked backup') throw new BackupFault('This file is not a backup of Margin.');
    return { cover, bytes: end + 1 };
  } finally {
    await file.close();
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

/** The lines of a backup file, in pieces. Throws where the file is damaged, or `identity` does not open it. */
export async function* readBackupFile(path: string, identity: string): AsyncGenerator<string> {
  const { bytes } = await readCover(path);
  const opener = new Decrypter();
  opener.addIdentity(identity);
  try {
    const stream = await opener.decrypt(
      Readable.toWeb(createReadStream(path, { start: bytes })) as ReadableStream<Uint8Array>,
    );
    const text = chained(Readable.fromWeb(stream as never), createGunzip());
    const decoder = new TextDecoder('utf-8', { fatal: true });
    for await (const piece of text) yield decoder.decode(piece as Buffer, { stream: true });
  } catch (error) {
    throw new BackupFault('The backup is damaged: it cannot be opened.', { cause: error });
  }
}
