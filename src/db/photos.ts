import { and, desc, eq, sql } from 'drizzle-orm';
import type { Photo } from '#contract/api.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Queryable } from './connect.ts';
import { sharedKey } from './machineKey.ts';
import { jobs, photos } from './tables.ts';

/** A picture to be kept: JPEGs. */
export interface NewPhoto {
  id: string;
  jobId: string;
  corner: CornerId;
  width: number;
  height: number;
  picture: Buffer;
  small: Buffer;
  /** When it was taken; now where left out. */
  createdAt?: Date;
}

const { id, jobId, corner, width, height, createdAt } = photos;

const asPhoto = ({ createdAt: at, ...row }: Omit<Photo, 'at'> & { createdAt: Date }): Photo => ({
  ...row,
  at: at.toISOString(),
});

/** Every picture of a machine, newest first. */
export async function listPhotos(db: Queryable, machineKey: string): Promise<Photo[]> {
  const rows = await db
    .select({ id, jobId, corner, width, height, createdAt })
    .from(photos)
    .innerJoin(jobs, eq(jobs.id, jobId))
    .where(eq(jobs.machineKey, machineKey))
    .orderBy(desc(createdAt), desc(id));
  return rows.map(asPhoto);
}

/** A picture by its id, and the machine it is of; null where there is none. */
export async function findPhoto(
  db: Queryable,
  photo: string,
): Promise<{ photo: Photo; machineKey: string } | null> {
  const [row] = await db
    .select({ id, jobId, corner, width, height, createdAt, machineKey: sharedKey })
    .from(photos)
    .innerJoin(jobs, eq(jobs.id, jobId))
    .where(eq(id, photo));
  if (!row) return null;
  const { machineKey, ...rest } = row;
  return { photo: asPhoto(rest), machineKey };
}

/** Every picture that was taken in a job, the oldest first. */
export async function photosTakenIn(db: Queryable, job: string): Promise<Photo[]> {
  const rows = await db
    .select({ id, jobId, corner, width, height, createdAt })
    .from(photos)
    .where(eq(jobId, job))
    .orderBy(createdAt, id);
  return rows.map(asPhoto);
}

/** How many pictures a corner of a machine has. */
export async function countPhotos(db: Queryable, machineKey: string, at: CornerId): Promise<number> {
  const rows = await db
    .select({ count: sql<number>`count(*)::int` })
    .from(photos)
    .innerJoin(jobs, eq(jobs.id, jobId))
    .where(and(eq(jobs.machineKey, machineKey), eq(corner, at)));
  return rows[0]?.count ?? 0;
}

/** Keeps a picture. */
export async function insertPhoto(db: Queryable, photo: NewPhoto): Promise<Photo> {
  const [row] = await db
    .insert(photos)
    .values(photo)
    .returning({ id, jobId, corner, width, height, createdAt });
  if (!row) throw new Error('expected the picture to be kept, got no row');
  return asPhoto(row);
}

/** The picture itself, or its thumbnail; null where there is none. */
export async function readPhoto(
  db: Queryable,
  photo: string,
  size: 'picture' | 'small',
): Promise<Buffer | null> {
  const [row] = await db.select({ bytes: photos[size] }).from(photos).where(eq(id, photo));
  return row?.bytes ?? null;
}

/** Removes a picture; false where there was none. */
export async function deletePhoto(db: Queryable, photo: string): Promise<boolean> {
  const rows = await db.delete(photos).where(eq(id, photo)).returning({ id });
  return rows.length > 0;
}
