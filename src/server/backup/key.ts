import { Decrypter, Encrypter, generateX25519Identity, identityToRecipient } from 'age-encryption';

/**
 * What backups are locked with: anybody may lock one (`recipient`), only the passphrase opens one. Both are in every backup, so that it can
 * be opened on another computer.
 */
export interface BackupKey {
  recipient: string;
  /** What opens a backup, locked with the passphrase (age, scrypt), in base64. */
  locked: string;
}

/** A key of its own for backups, which this passphrase opens. */
export async function makeBackupKey(passphrase: string): Promise<BackupKey> {
  const identity = await generateX25519Identity();
  const lock = new Encrypter();
  lock.setPassphrase(passphrase.normalize('NFKC'));
  const locked = await lock.encrypt(identity);
  return { recipient: await identityToRecipient(identity), locked: Buffer.from(locked).toString('base64') };
}

/** What opens the backups of a key; null where that is not its passphrase. */
export async function openBackupKey(
  { locked }: Pick<BackupKey, 'locked'>,
  passphrase: string,
): Promise<string | null> {
  const opener = new Decrypter();
  opener.addPassphrase(passphrase.normalize('NFKC'));
  try {
    return await opener.decrypt(Buffer.from(locked, 'base64'), 'text');
  } catch {
    return null;
  }
}
