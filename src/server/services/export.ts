import { Readable } from 'node:stream';
import { configure, ZipWriter } from '@zip.js/zip.js';
import { jobFileName, jobFileOf, type FilePicture } from '#core/document/file.ts';
import type { JobRecord } from '#core/document/types.ts';
import type { Database } from '#db/connect.ts';
import { findJob, keptJobIds } from '#db/jobs.ts';
import { photosTakenIn, readPhoto } from '#db/photos.ts';

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
  for (const { id, corner, at } of await photosTakenIn(db, record.id)) {
    const bytes = await readPhoto(db, id, 'picture');
    // Somebody has removed it meanwhile.
    if (!bytes) continue;
    const picture: FilePicture = { id, corner, at, jpeg: bytes.toString('base64') };
    yield Buffer.from(before + JSON.stringify(picture));
    before = ',\n    ';
    after = '\n  ]\n}\n';
  }
  yield Buffer.from(after);
}
