import { randomUUID } from 'node:crypto';
import type { Photo } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Database } from '#db/connect.ts';
import { machineKeyOf } from '#db/machineKey.ts';
import { countPhotos, findPhoto, insertPhoto, listPhotos } from '#db/photos.ts';
import { ProblemError } from '../http/problem.ts';
import { drawing, drawnAs } from './drawnAs.ts';
import { readRecord } from './records.ts';

const PICTURE = { width: 1600, height: 1600, quality: 82 };
const SMALL = { width: 240, height: 240, quality: 72 };

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
  const picture = await drawnAs(sent, 'jpeg', PICTURE);
  const small = await drawnAs(picture.data, 'jpeg', SMALL);
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

/** What jobs on its machine share. Throws `job-not-found`. */
export async function keyFor(db: Database, job: string): Promise<string> {
  const key = await machineKeyOf(db, job);
  if (!key) throw new ProblemError('job-not-found');
  return key;
}
