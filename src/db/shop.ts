import { and, desc, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import type { Queryable } from './connect.ts';
import { devices, guesses, pairings, shop } from './shopTables.ts';

export type Device = typeof devices.$inferSelect;
export type Pairing = typeof pairings.$inferSelect;

/** What the shop keeps under a key; null where it keeps nothing. */
export async function shopValue<T>(db: Queryable, key: string): Promise<T | null> {
  const rows = await db.select({ value: shop.value }).from(shop).where(eq(shop.key, key));
  return (rows[0]?.value ?? null) as T | null;
}

/** Keeps a value under a key, in place of what was there. */
export async function keepShopValue(db: Queryable, key: string, value: unknown): Promise<void> {
  await db
    .insert(shop)
    .values({ key, value })
    .onConflictDoUpdate({ target: shop.key, set: { value, updatedAt: sql`now()` } });
}

/** Drops a value of the shop's. */
export async function dropShopValue(db: Queryable, key: string): Promise<void> {
  await db.delete(shop).where(eq(shop.key, key));
}

/** Keeps a value unless there is one; gives what is kept then. */
export async function shopValueOr<T>(db: Queryable, key: string, value: T): Promise<T> {
  await db.insert(shop).values({ key, value }).onConflictDoNothing();
  return (await shopValue<T>(db, key)) ?? value;
}

/** The channel on which servers tell each other that a device was removed: its id. */
export const doorChannel = 'margin_door';

export async function addDevice(db: Queryable, device: Pick<Device, 'id' | 'name' | 'by'>): Promise<void> {
  await db.insert(devices).values(device);
}

/** One device, removed or not; null where there never was one. */
export async function findDevice(db: Queryable, id: string): Promise<Device | null> {
  return (await db.select().from(devices).where(eq(devices.id, id)))[0] ?? null;
}

/** Devices that are in, the one seen last first. */
export async function listDevices(db: Queryable): Promise<Device[]> {
  return db.select().from(devices).where(isNull(devices.removedAt)).orderBy(desc(devices.seenAt));
}

export async function markSeen(db: Queryable, id: string): Promise<void> {
  await db
    .update(devices)
    .set({ seenAt: sql`now()` })
    .where(eq(devices.id, id));
}

/** Names a device, or says who works with it; false where it is not in. */
export async function changeDevice(
  db: Queryable,
  id: string,
  change: Partial<Pick<Device, 'name' | 'technician'>>,
): Promise<boolean> {
  const rows = await db
    .update(devices)
    .set(change)
    .where(and(eq(devices.id, id), isNull(devices.removedAt)))
    .returning({ id: devices.id });
  return rows.length > 0;
}

/** Removes a device and tells every server; false where it is not in. */
export async function removeDevice(db: Queryable, id: string): Promise<boolean> {
  const rows = await db
    .update(devices)
    .set({ removedAt: sql`now()` })
    .where(and(eq(devices.id, id), isNull(devices.removedAt)))
    .returning({ id: devices.id });
  if (rows.length === 0) return false;
  await db.execute(sql`select pg_notify(${doorChannel}, ${id})`);
  return true;
}

const recent = (minutes: number) => sql`now() - make_interval(mins => ${minutes})`;

/** Puts somebody at the door, and forgets those who waited too long or too many from one address. */
export async function addPairing(
  db: Queryable,
  pairing: Pick<Pairing, 'secretHash' | 'digits' | 'name' | 'address'> & { letInBy?: string },
  { minutes, perAddress }: { minutes: number; perAddress: number },
): Promise<void> {
  await db.delete(pairings).where(lt(pairings.createdAt, recent(minutes)));
  await db.insert(pairings).values(pairing);
  await db.execute(sql`
    delete from pairings where secret_hash in (
      select secret_hash from pairings where address = ${pairing.address} and let_in_by is null
      order by created_at desc offset ${perAddress})`);
}

/** Whoever waits with these digits. */
export async function pairingsWith(db: Queryable, digits: string, minutes: number): Promise<Pairing[]> {
  return db
    .select()
    .from(pairings)
    .where(
      and(eq(pairings.digits, digits), isNull(pairings.letInBy), gt(pairings.createdAt, recent(minutes))),
    );
}

/** Lets in whoever waits with this hash; false where nobody does any more. */
export async function letIn(db: Queryable, secretHash: string, by: string): Promise<boolean> {
  const rows = await db
    .update(pairings)
    .set({ letInBy: by })
    .where(and(eq(pairings.secretHash, secretHash), isNull(pairings.letInBy)))
    .returning({ secretHash: pairings.secretHash });
  return rows.length > 0;
}

/** How it stands with whoever waits with this hash; null where nobody does. */
export async function findPairing(
  db: Queryable,
  secretHash: string,
  minutes: number,
): Promise<Pairing | null> {
  const rows = await db
    .select()
    .from(pairings)
    .where(and(eq(pairings.secretHash, secretHash), gt(pairings.createdAt, recent(minutes))));
  return rows[0] ?? null;
}

/** Takes whoever was let in from the door, once: a secret works a single time. */
export async function takePairing(
  db: Queryable,
  secretHash: string,
  minutes: number,
): Promise<Pairing | null> {
  const rows = await db
    .delete(pairings)
    .where(
      and(
        eq(pairings.secretHash, secretHash),
        sql`${pairings.letInBy} is not null`,
        gt(pairings.createdAt, recent(minutes)),
      ),
    )
    .returning();
  return rows[0] ?? null;
}

/**
 * Counts a guess before it is looked at, so that many sent at once count each. Gives the seconds to wait where it must not be looked
 * at yet (it is not counted then), else null. The first three are free; each after them doubles the wait, up to `mostS`.
 */
export async function countGuess(db: Queryable, who: string, mostS: number): Promise<number | null> {
  const counted = await db.execute(sql`
    insert into guesses as g (who, failures, wait_until) values (${who}, 1, now())
    on conflict (who) do update set
      failures = case when g.at < now() - interval '1 day' then 1 else g.failures + 1 end,
      at = now(),
      wait_until = now() + make_interval(secs => case
        when g.at < now() - interval '1 day' or g.failures < 3 then 0
        else least(${mostS}, power(2, least(g.failures - 2, 20))) end)
    where g.wait_until <= now()
    returning failures`);
  if (counted.rows.length > 0) return null;
  const rows = await db.select().from(guesses).where(eq(guesses.who, who));
  return Math.max(1, Math.ceil(((rows[0]?.waitUntil.getTime() ?? 0) - Date.now()) / 1000));
}

/** Forgets the wrong guesses of somebody who guessed right. */
export async function forgetGuesses(db: Queryable, who: string): Promise<void> {
  await db.delete(guesses).where(eq(guesses.who, who));
}

/** Until the transaction ends nobody else changes what is kept under a key, be it there yet or not. */
export async function lockShopValue(db: Queryable, key: string): Promise<void> {
  await db.execute(sql`select pg_advisory_xact_lock(hashtext(${`shop ${key}`}))`);
}
