import { randomUUID } from 'node:crypto';
import type { NewReadingPicture, ReadingPicture } from '#contract/pictures.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { Database } from '#db/connect.ts';
import { insertReadingPicture, listReadingPictures } from '#db/readingPictures.ts';
import { ProblemError } from '../http/problem.ts';
import { drawing, drawnAs } from './drawnAs.ts';
import { keyFor } from './photos.ts';
import { readRecord } from './records.ts';

/** It is read again by its pixels: none is lost, and JPEG's own marks stay small. */
const WHOLE = { width: 20_000, height: 20_000, quality: 94 };

/** Pictures that heights of the machine were read off that a job is on. Throws `job-not-found`. */
export async function readingPicturesFor(db: Database, job: string): Promise<ReadingPicture[]> {
  return listReadingPictures(db, await keyFor(db, job));
}

/**
 * Keeps a picture with the reading it gave. It is drawn anew as a JPEG of the same size, so that neither place nor time nor
 * camera is in it. Sent twice it is kept once for its machine; where another machine has one by that id, a copy is kept. Throws `job-not-found`, `invalid` for a corner that the machine does not have,
 * or `not-a-picture`.
 */
export async function keepReadingPicture(
  db: Database,
  { jpeg, ...said }: NewReadingPicture,
): Promise<ReadingPicture> {
  const { document } = await readRecord(db, said.jobId);
  if (!cornersIn(document).includes(said.corner))
    throw new ProblemError('invalid', {
      errors: [{ pointer: '/corner', detail: `must be one of: ${cornersIn(document).join(', ')}` }],
    });
  return drawing(async () => {
    const known = (await readingPicturesFor(db, said.jobId)).find(({ id }) => id === said.id);
    if (known) return known;
    const { data } = await drawnAs(Buffer.from(jpeg, 'base64'), 'jpeg', WHOLE);
    const kept = await insertReadingPicture(db, { ...said, picture: data });
    return kept.jobId === said.jobId
      ? kept
      : insertReadingPicture(db, { ...said, id: randomUUID(), picture: data });
  });
}
