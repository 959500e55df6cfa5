import type { ShopSettings } from '#contract/door.ts';
import type { Database, Queryable } from '#db/connect.ts';
import { keepShopValue, lockShopValue, shopValue } from '#db/shop.ts';
import { ProblemError } from '../http/problem.ts';

const KEY = 'settings';
const nothing: ShopSettings = { version: 0, shopName: '', technicians: [], instruments: [] };

/** What holds for the whole shop. */
export async function readSettings(db: Queryable): Promise<ShopSettings> {
  return { ...nothing, ...(await shopValue<ShopSettings>(db, KEY)) };
}

/** Keeps settings that were changed from the version they name. Throws `settings-changed` where they have gone on since. */
export async function keepSettings(db: Database, sent: ShopSettings): Promise<ShopSettings> {
  return db.transaction(async (tx) => {
    await lockShopValue(tx, KEY);
    const before = await readSettings(tx);
    if (before.version !== sent.version) throw new ProblemError('settings-changed', { conflict: before });
    const next = { ...sent, version: sent.version + 1 };
    await keepShopValue(tx, KEY, next);
    return next;
  });
}
