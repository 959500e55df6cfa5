import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { Photo } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Database } from '#db/connect.ts';
import { countPhotos, insertPhoto, listPhotos, machineKeyOf } from '#db/photos.ts';
import { ProblemError } from '../http/problem.ts';

const SIDE_PX = { picture: 1600, small: 240 };

/** Every picture of the machine that a job is on. Throws `job-not-found`. */
export async function photosFor(db: Database, job: string): Promise<Photo[]> {
  return listPhotos(db, await keyFor(db, job));
}

/**
 * Keeps a picture for a corner of a job's machine. It is drawn anew as a JPEG, so that nothing but the picture is kept:
 * no place, no time, no camera. Throws `job-not-found`, `not-a-picture` or `enough-photos`.
 */
export async function addPhoto(
  db: Database,
  { job, corner }: { job: string; corner: CornerId },
  sent: Buffer,
): Promise<Photo> {
  const key = await keyFor(db, job);
  if ((await countPhotos(db, key, corner)) >= limits.photosPerCorner) throw new ProblemError('enough-photos');
  const picture = await redrawn(sent, SIDE_PX.picture, 82);
  const small = await redrawn(picture.data, SIDE_PX.small, 72);
  return insertPhoto(db, {
    id: randomUUID(),
    jobId: job,
    corner,
    width: picture.info.width,
    height: picture.info.height,
    picture: picture.data,
    small: small.data,
  });
}

async function keyFor(db: Database, job: string): Promise<string> {
  const key = await machineKeyOf(db, job);
  if (!key) throw new ProblemError('job-not-found');
  return key;
}

/** A picture turned the right way up and drawn anew, its longer side at most so many pixels. */
async function redrawn(sent: Buffer, side: number, quality: number) {
  try {
    return await sharp(sent, { limitInputPixels: limits.photoPixels })
      .rotate()
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .toBuffer({ resolveWithObject: true });
  } catch {
    throw new ProblemError('not-a-picture');
  }
}
