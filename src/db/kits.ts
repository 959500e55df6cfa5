import { and, asc, eq, gt, sql } from 'drizzle-orm';
import type { PutKit } from '#contract/api.ts';
import type { Kit } from '#core/kits/kit.ts';
import type { KitOutcome } from '#core/kits/outcome.ts';
import type { Queryable } from './connect.ts';
import { isKept } from './jobs.ts';
import { jobs, kits } from './tables.ts';

const columns = { id: kits.id, version: kits.version, kit: kits.kit };

/** Every kit, by name. */
export async function listKits(db: Queryable): Promise<Kit[]> {
  return db.select(columns).from(kits).orderBy(asc(kits.name), asc(kits.id));
}

/** One kit; null where there is none. */
export async function readKit(db: Queryable, id: string): Promise<Kit | null> {
  const [row] = await db.select(columns).from(kits).where(eq(kits.id, id));
  return row ?? null;
}

/** Keeps a new kit, or the next version of one; null where it is there already, or not in that version. */
export async function putKit(db: Queryable, { id, version, kit }: PutKit): Promise<Kit | null> {
  const next = { id, kit, name: kit.name, version: (version ?? 0) + 1, updatedAt: new Date() };
  const rows =
    version === null
      ? await db.insert(kits).values(next).onConflictDoNothing().returning(columns)
      : await db
          .update(kits)
          .set(next)
          .where(and(eq(kits.id, id), eq(kits.version, version)))
          .returning(columns);
  return rows[0] ?? null;
}

/** Removes a kit; false where there was none. */
export async function deleteKit(db: Queryable, id: string): Promise<boolean> {
  return (await db.delete(kits).where(eq(kits.id, id)).returning({ id: kits.id })).length > 0;
}

/** How many there are. */
export async function countKits(db: Queryable): Promise<number> {
  return db.$count(kits);
}

/** What jobs came to with the kits that went into them, the oldest job first; of jobs that were deleted nothing. */
export async function listOutcomes(db: Queryable): Promise<KitOutcome[]> {
  const rows = await db
    .select({ kits: sql<KitOutcome[]>`${jobs.line}->'kits'` })
    .from(jobs)
    .where(and(gt(jobs.kitsCount, 0), isKept))
    .orderBy(asc(jobs.updatedAt), asc(jobs.id));
  return rows.flatMap((row) => row.kits);
}
