import { resolve } from 'node:path';
import { migrateDatabase, openDatabase } from '#db/connect.ts';
import { keepShopValue } from '#db/shop.ts';
import { askSecret } from './askSecret.ts';
import { makeBackupKey } from './backup/key.ts';
import { hashOf, passphraseFault } from './shop/passphrase.ts';

/** Sets the shop's passphrase: typed twice at a terminal, or one line of standard input. Needs no old one: it is for the computer itself. */
async function main(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('expected DATABASE_URL, got none: use "npm run passphrase"');
  const passphrase = await askSecret('New passphrase of the shop: ');
  const fault = passphraseFault(passphrase);
  if (fault) throw new Error(fault);
  if (process.stdin.isTTY && (await askSecret('Once more: ')) !== passphrase)
    throw new Error('The two are not the same: nothing was changed.');
  const db = openDatabase(url, { patient: true });
  try {
    await migrateDatabase(db, resolve('src/db/migrations'));
    await keepShopValue(db, 'passphrase', await hashOf(passphrase));
    // Backups of before open with the passphrase of before.
    await keepShopValue(db, 'backup-key', await makeBackupKey(passphrase));
  } finally {
    await db.$client.end();
  }
  process.stdout.write('The passphrase is set. Devices that are in stay in.\n');
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : 'It could not be set.'}\n`);
  process.exit(1);
});
