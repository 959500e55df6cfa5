import type { BackupStatus } from '#contract/backup.ts';
import type { Database } from '#db/connect.ts';
import { keepShopValue, shopValue } from '#db/shop.ts';

const KEY = 'backup-status';

/** How it stands with backups; null before the first was tried. */
export const readStatus = (db: Database) => shopValue<BackupStatus>(db, KEY);

/** Keeps how a backup went, beside what is known of the last that went well. */
export async function keepStatus(db: Database, change: Partial<BackupStatus>): Promise<void> {
  const before = await readStatus(db);
  await keepShopValue(db, KEY, {
    last: null,
    tried: null,
    copy: null,
    ...before,
    ...change,
  } satisfies BackupStatus);
}
