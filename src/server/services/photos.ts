import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { Photo } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Database } from '#db/connect.ts';
import { countPhotos, findPhoto, insertPhoto, listPhotos, machineKeyOf } from '#db/photos.ts';
import { ProblemError } from '../http/problem.ts';
import { inTurn } from './inTurn.ts';
import { readRecord } from './records.ts';

const SIDE_PX = { picture: 1600, small: 240 };

/** What a camera writes. Others hold scripts, or many pictures, or need far more memory than their size tells. */
const FORMATS: readonly (string | undefined)[] = ['jpeg', 'png', 'webp'];

/** s. No picture of that size takes this long, and the next one waits. */
const MOST_S = 20;

/** One picture is drawn at a time: it takes tens of times its own size in memory. */
const drawing = inTurn();

/** Every picture of the machine that a job is on. Throws `job-not-found`. */
export async function photosFor(db: Database, job: string): Promise<Photo[]> {
  return listPhotos(db, await keyFor(db, job));
}

/** Where a picture belongs. */
interface Place {
  job: string;
  corner: CornerId;
  /** Of one that comes out of a file: what it was known by, and when it was taken, ISO 8601. */
  id?: string;
  at?: string;
}

/**
 * Keeps a picture for a corner of a job's machine. It is drawn anew as a JPEG, so that nothing but the picture is kept:
 * no place, no time, no camera. One out of a file that the machine has already is not kept twice. Throws `job-not-found`,
 * `invalid` for a corner that the machine does not have, `not-a-picture` or `enough-photos`.
 */
export async function addPhoto(db: Database, place: Place, sent: Buffer): Promise<Photo> {
  const key = await keyFor(db, place.job);
  const { document } = await readRecord(db, place.job);
  if (!cornersIn(document).includes(place.corner))
    throw new ProblemError('invalid', {
      errors: [{ pointer: '/corner', detail: `must be one of: ${cornersIn(document).join(', ')}` }],
    });
  return drawing(() => keepPhoto(db, { ...place, key }, sent));
}

async function keepPhoto(
  db: Database,
  { job, key, corner, id: known, at }: Place & { key: string },
  sent: Buffer,
): Promise<Photo> {
  const before = known ? await findPhoto(db, known) : null;
  if (before && before.machineKey === key) return before.photo;
  if ((await countPhotos(db, key, corner)) >= limits.photosPerCorner) throw new ProblemError('enough-photos');
  const picture = await redrawn(sent, SIDE_PX.picture, 82);
  const small = await redrawn(picture.data, SIDE_PX.small, 72);
  return insertPhoto(db, {
    // Another machine has one by that id: this is a copy of its own.
    id: known && !before ? known : randomUUID(),
    jobId: job,
    corner,
    width: picture.info.width,
    height: picture.info.height,
    picture: picture.data,
    small: small.data,
    ...(at && { createdAt: new Date(at) }),
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
    const { format } = await sharp(sent, { limitInputPixels: limits.photoPixels }).metadata();
    if (!FORMATS.includes(format)) throw new ProblemError('not-a-picture');
    return await sharp(sent, { limitInputPixels: limits.photoPixels })
      .rotate()
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .timeout({ seconds: MOST_S })
      .toBuffer({ resolveWithObject: true });
  } catch {
    throw new ProblemError('not-a-picture');
  }
}
