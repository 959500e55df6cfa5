import { eq, sql } from 'drizzle-orm';
import type { Queryable } from './connect.ts';
import { jobs } from './tables.ts';

/** What jobs on the same machine share. */
export const sharedKey = sql<string>`coalesce(${jobs.machineKey}, ${jobs.id})`;

/** What jobs on the same machine share; null where there is no such job. */
export async function machineKeyOf(db: Queryable, job: string): Promise<string | null> {
  const [row] = await db.select({ key: sharedKey }).from(jobs).where(eq(jobs.id, job));
  return row?.key ?? null;
}
