import { createHash } from 'node:crypto';
import { noSettings, type ShopSettings } from '#contract/door.ts';
import type { Database, Queryable } from '#db/connect.ts';
import { dropShopValue, keepShopValue, lockShopValue, shopValue } from '#db/shop.ts';
import { ProblemError } from '../http/problem.ts';
import { drawing, drawnAs } from './drawnAs.ts';

const KEY = 'settings';

/** What holds for the whole shop. */
export async function readSettings(db: Queryable): Promise<ShopSettings> {
  return { ...noSettings, ...(await shopValue<ShopSettings>(db, KEY)) };
}

/** Keeps settings that were changed from the version they name. Throws `settings-changed` where they have gone on since. */
export async function keepSettings(db: Database, sent: Partial<ShopSettings>): Promise<ShopSettings> {
  return changed(db, (before) => {
    if (before.version !== sent.version) throw new ProblemError('settings-changed', { conflict: before });
    return { ...sent, logo: before.logo };
  });
}

/** A change of the settings as they are by now, and of what belongs to them. */
async function changed(
  db: Database,
  change: (before: ShopSettings, tx: Queryable) => Partial<ShopSettings> | Promise<Partial<ShopSettings>>,
): Promise<ShopSettings> {
  return db.transaction(async (tx) => {
    await lockShopValue(tx, KEY);
    const before = await readSettings(tx);
    const next = { ...before, ...(await change(before, tx)), version: before.version + 1 };
    await keepShopValue(tx, KEY, next);
    return next;
  });
}

const LOGO = 'logo';

/** px. It is printed a few centimetres wide. */
const LOGO_PX = { width: 800, height: 240 };

/** Keeps the shop's logo, drawn anew. Throws `not-a-picture`. */
export async function keepLogo(db: Database, sent: Buffer): Promise<ShopSettings> {
  const png = await drawing(() => drawnAs(sent, 'png', LOGO_PX));
  return changed(db, async (_before, tx) => {
    await keepShopValue(tx, LOGO, png.data.toString('base64'));
    return { logo: createHash('sha256').update(png.data).digest('hex').slice(0, 16) };
  });
}

/** Takes the logo away. */
export async function removeLogo(db: Database): Promise<ShopSettings> {
  return changed(db, async (_before, tx) => {
    await dropShopValue(tx, LOGO);
    return { logo: null };
  });
}

/** The logo as a PNG; null where there is none. */
export async function readLogo(db: Queryable): Promise<Buffer | null> {
  const kept = await shopValue<string>(db, LOGO);
  return kept === null ? null : Buffer.from(kept, 'base64');
}
