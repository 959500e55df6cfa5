import { Readable } from 'node:stream';
import { configure, ZipWriter } from '@zip.js/zip.js';
import { jobFileName, jobFileOf, type FilePicture } from '#core/document/file.ts';
import type { JobRecord } from '#core/document/types.ts';
import type { Database } from '#db/connect.ts';
import { findJob, keptJobIds } from '#db/jobs.ts';
import { photosTakenIn, readPhoto } from '#db/photos.ts';
import { readingPicturesTakenIn, readReadingPicture } from '#db/readingPictures.ts';

// Node squeezes in threads of its own.
configure({ useWebWorkers: false });

/**
 * Every job but the deleted ones, each as a job file with the pictures taken in it, in one zip. It is written as it is made and as fast as it
 * is taken, one job and one picture in memory at a time.
 */
export async function exportJobs(db: Database, to: WritableStream<Uint8Array>): Promise<void> {
  const zip = new ZipWriter(to);
  const used = new Map<string, number>();
  for (const id of await keptJobIds(db)) {
    const kept = await findJob(db, id);
    if (!kept) continue;
    const { record, updatedAt } = kept;
    await zip.add(
      nameOf(record, used),
      Readable.toWeb(Readable.from(piecesOf(db, record))) as ReadableStream,
      {
        lastModDate: updatedAt,
      },
    );
  }
  await zip.close();
}

/** A name that no other file of the zip has. */
function nameOf(record: JobRecord, used: Map<string, number>): string {
  const name = jobFileName(record);
  const count = (used.get(name) ?? 0) + 1;
  used.set(name, count);
  return count === 1 ? name : name.replace(/(?=\.margin\.json$)/, `-${count}`);
}

/** A job file, piece by piece. */
async function* piecesOf(db: Database, record: JobRecord): AsyncGenerator<Uint8Array> {
  const whole = JSON.stringify(jobFileOf(record), null, 2);
  yield Buffer.from(whole.slice(0, whole.lastIndexOf('}')).trimEnd());
  let before = ',\n  "pictures": [\n    ';
  let after = '\n}\n';
  for await (const picture of picturesOf(db, record.id)) {
    yield Buffer.from(before + JSON.stringify(picture));
    before = ',\n    ';
    after = '\n  ]\n}\n';
  }
  yield Buffer.from(after);
}

/** Its pictures, one at a time: where the tape is held, then those that heights were read off. */
async function* picturesOf(db: Database, job: string): AsyncGenerator<FilePicture> {
  for (const { id, corner, at } of await photosTakenIn(db, job)) {
    const bytes = await readPhoto(db, id, 'picture');
    // Somebody has removed it meanwhile.
    if (bytes) yield { id, corner, at, jpeg: bytes.toString('base64') };
  }
  for (const { id, corner, at, round, meta } of await readingPicturesTakenIn(db, job)) {
    const bytes = await readReadingPicture(db, id);
    if (bytes) yield { id, corner, at, jpeg: bytes.toString('base64'), reading: { round, meta } };
  }
}
