import { and, desc, eq, gt, lt, sql } from 'drizzle-orm';
import type { Queryable } from './connect.ts';
import { sheets } from './shopTables.ts';

export type NewSheet = Omit<typeof sheets.$inferInsert, 'createdAt'>;
export type Sheet = Omit<typeof sheets.$inferSelect, 'page' | 'secretHash'>;

const { id, jobId, title, createdAt, expiresAt } = sheets;

/** Keeps a sheet to be given out; those that nobody can open any more go. */
export async function addSheet(db: Queryable, sheet: NewSheet): Promise<void> {
  await db.delete(sheets).where(lt(expiresAt, sql`now()`));
  await db.insert(sheets).values(sheet);
}

/** Sheets that can be opened, of all jobs or of one, the newest first. */
export async function listSheets(db: Queryable, job: string | null): Promise<Sheet[]> {
  return db
    .select({ id, jobId, title, createdAt, expiresAt })
    .from(sheets)
    .where(and(gt(expiresAt, sql`now()`), job === null ? undefined : eq(jobId, job)))
    .orderBy(desc(createdAt), desc(id));
}

/** The page of a sheet by the hash of its secret; null where there is none, or none any more. */
export async function sheetPage(db: Queryable, secretHash: string): Promise<string | null> {
  const [row] = await db
    .select({ page: sheets.page })
    .from(sheets)
    .where(and(eq(sheets.secretHash, secretHash), gt(expiresAt, sql`now()`)));
  return row?.page ?? null;
}

/** Takes a sheet back; false where there was none. */
export async function dropSheet(db: Queryable, sheet: string): Promise<boolean> {
  return (await db.delete(sheets).where(eq(id, sheet)).returning({ id })).length > 0;
}
