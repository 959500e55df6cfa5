import { desc, eq } from 'drizzle-orm';
import type { ReadingPicture } from '#contract/pictures.ts';
import type { Queryable } from './connect.ts';
import { sharedKey } from './machineKey.ts';
import { jobs, readingPictures } from './tables.ts';

const { id, jobId, corner, round, meta, createdAt } = readingPictures;
const told = { id, jobId, corner, round, meta, createdAt };

const asPicture = ({
  createdAt: at,
  ...row
}: Omit<ReadingPicture, 'at'> & { createdAt: Date }): ReadingPicture => ({
  ...row,
  at: at.toISOString(),
});

/** Pictures that heights of a machine were read off, newest first. */
export async function listReadingPictures(db: Queryable, machineKey: string): Promise<ReadingPicture[]> {
  const rows = await db
    .select(told)
    .from(readingPictures)
    .innerJoin(jobs, eq(jobs.id, jobId))
    .where(eq(sharedKey, machineKey))
    .orderBy(desc(createdAt), desc(id));
  return rows.map(asPicture);
}

/** Pictures that heights were read off in one job, the oldest first. */
export async function readingPicturesTakenIn(db: Queryable, job: string): Promise<ReadingPicture[]> {
  const rows = await db.select(told).from(readingPictures).where(eq(jobId, job)).orderBy(createdAt, id);
  return rows.map(asPicture);
}

/** Keeps a picture, a JPEG; one that is kept already by its id stays as it is. */
export async function insertReadingPicture(
  db: Queryable,
  { at, ...picture }: Omit<ReadingPicture, 'at'> & { at?: string | undefined; picture: Buffer },
): Promise<ReadingPicture> {
  await db
    .insert(readingPictures)
    .values({ ...picture, ...(at !== undefined && { createdAt: new Date(at) }) })
    .onConflictDoNothing();
  const [row] = await db.select(told).from(readingPictures).where(eq(id, picture.id));
  if (!row) throw new Error('expected the picture to be kept, got no row');
  return asPicture(row);
}

/** The kept part itself; null where there is none. */
export async function readReadingPicture(db: Queryable, picture: string): Promise<Buffer | null> {
  const [row] = await db
    .select({ bytes: readingPictures.picture })
    .from(readingPictures)
    .where(eq(id, picture));
  return row?.bytes ?? null;
}
