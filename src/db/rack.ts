import { and, asc, eq, sql } from 'drizzle-orm';
import type { PutSpring, ImportRack } from '#contract/api.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import type { Queryable } from './connect.ts';
import { rackSprings } from './tables.ts';

const columns = {
  id: rackSprings.id,
  version: rackSprings.version,
  name: rackSprings.name,
  rateNPerMm: rackSprings.rateNPerMm,
  rows: rackSprings.rows,
  freeLengthMm: rackSprings.freeLengthMm,
  solidLengthMm: rackSprings.solidLengthMm,
  wireMm: rackSprings.wireMm,
  coils: rackSprings.coils,
  innerMm: rackSprings.innerMm,
  maxN: rackSprings.maxN,
  tender: rackSprings.tender,
  torsion: rackSprings.torsion,
  stock: rackSprings.stock,
  note: rackSprings.note,
};

/** Every spring, by name. */
export async function listSprings(db: Queryable): Promise<RackSpring[]> {
  return db.select(columns).from(rackSprings).orderBy(asc(rackSprings.name), asc(rackSprings.id));
}

/** One spring; null where there is none. */
export async function readSpring(db: Queryable, id: string): Promise<RackSpring | null> {
  const [row] = await db.select(columns).from(rackSprings).where(eq(rackSprings.id, id));
  return row ?? null;
}

/** How many there are. */
export async function countSprings(db: Queryable): Promise<number> {
  const [row] = await db.select({ count: sql<number>`count(*)::int` }).from(rackSprings);
  return row?.count ?? 0;
}

/** Keeps a new spring, or the next version of one; null where it is there already, or not in that version. */
export async function putSpring(
  db: Queryable,
  { version, ...spring }: PutSpring,
): Promise<RackSpring | null> {
  const next = { ...spring, version: (version ?? 0) + 1, updatedAt: new Date() };
  const rows =
    version === null
      ? await db.insert(rackSprings).values(next).onConflictDoNothing().returning(columns)
      : await db
          .update(rackSprings)
          .set(next)
          .where(and(eq(rackSprings.id, spring.id), eq(rackSprings.version, version)))
          .returning(columns);
  return rows[0] ?? null;
}

/** Rows written with one statement. */
const AT_ONCE = 500;

/** What an update takes from the row that met one already there. */
const sent = Object.fromEntries(
  Object.entries(columns)
    .filter(([key]) => key !== 'id' && key !== 'version')
    .map(([key, { name }]) => [key, sql.raw(`excluded."${name}"`)]),
);

/** Keeps springs, each new or written over. */
export async function importSprings(db: Queryable, springs: ImportRack['springs']): Promise<void> {
  for (let from = 0; from < springs.length; from += AT_ONCE)
    await db
      .insert(rackSprings)
      .values(springs.slice(from, from + AT_ONCE).map((spring) => ({ ...spring, version: 1 })))
      .onConflictDoUpdate({
        target: rackSprings.id,
        set: { ...sent, version: sql`${rackSprings.version} + 1`, updatedAt: new Date() },
      });
}

/** Removes a spring; false where there was none. */
export async function deleteSpring(db: Queryable, id: string): Promise<boolean> {
  const rows = await db.delete(rackSprings).where(eq(rackSprings.id, id)).returning({ id: rackSprings.id });
  return rows.length > 0;
}
