import {
  jobFileName,
  jobFileOf,
  jobFromFile,
  picturesIn,
  type FilePicture,
  type JobFile,
} from '#core/document/file.ts';
import { download } from '../../ui/download.ts';
import type { Entry, JobRecord } from '#core/document/types.ts';
import type { EntryAnswer, JobAnswer, MoreEntries } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import { ApiProblem, callApi, sendMuch } from '../../api/client.ts';
import { picturesFor, sendFilePicture } from '../../api/photos.ts';

/** Hands the reader a job as a file, with the pictures of its machine; false where these could not be read. */
export async function saveJobFile(record: JobRecord): Promise<boolean> {
  const pictures = await picturesFor(record.id).catch((error: unknown) =>
    // A job that the server has not taken yet has none.
    error instanceof ApiProblem && error.problem.code === 'job-not-found' ? [] : null,
  );
  const file = jobFileOf(record, pictures ?? []);
  handOver(`${JSON.stringify(file, null, 2)}\n`, 'application/json', jobFileName(record));
  return pictures !== null;
}

/** Lets the browser keep a text as a file. */
export function handOver(text: string, type: string, name: string): void {
  download(new Blob([text], { type }), name);
}

/** Makes a second job of one as the server has it, with everything read and done in it. Gives its id. Throws as `callApi` does. */
export async function duplicateJob(id: string): Promise<string> {
  const record = await callApi<JobAnswer>(`/jobs/${id}`);
  const copy = jobFromFile(jobFileOf(record), () => crypto.randomUUID());
  const { name } = record.document;
  const renamed: Entry = {
    id: crypto.randomUUID(),
    at: new Date().toISOString(),
    label: 'Copied',
    undoOf: null,
    redoOf: null,
    type: 'change',
    ops: [{ path: ['name'], from: name, to: `${name.slice(0, limits.nameLength - COPY.length)}${COPY}` }],
  };
  const made = await callApi<JobAnswer>('/jobs', { ...copy, entries: [...copy.entries, renamed] });
  return made.id;
}

const COPY = ', copy';

export type Opened =
  /** `left`: what of the file could not be kept, in words. */
  { ok: true; id: string; left: string[] } | { ok: false; why: string; details: string[] };

/** Makes a job of a file's text, with its pictures. Says what is wrong with it, and where, when it cannot. */
export async function openJobFile(text: string): Promise<Opened> {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch (error) {
    return { ok: false, why: 'The file is not JSON.', details: [(error as Error).message] };
  }
  const job = readJob(file);
  if (!job) return { ok: false, why: 'This is not a job file.', details: [] };
  const [first = [], ...more] = inPieces(job);
  try {
    const { id } = await inTheEnd(() => sendMuch<JobAnswer>('/jobs', startOf(job, first)));
    const left = await sendRest(id, more);
    return { ok: true, id, left: [...left, ...(await sendPictures(id, picturesIn(file)))] };
  } catch (error) {
    if (!(error instanceof ApiProblem))
      return { ok: false, why: 'No connection to the server. The file was not opened.', details: [] };
    const { title, errors = [] } = error.problem;
    return {
      ok: false,
      why: `Not opened. ${title}`,
      details: errors.slice(0, 8).map(({ pointer, detail }) => `${pointer || 'the file'}: ${detail}`),
    };
  }
}

/** The job of a file; null where it is so bent that it cannot even be sent to be refused. */
function readJob(file: unknown): JobFile | null {
  try {
    return jobFromFile(file, () => crypto.randomUUID());
  } catch {
    return null;
  }
}

/** characters. What is sent at a time stays far below what a server takes, whatever letters it is in. */
const PIECE = 8_000_000;

/** A job's entries in pieces that can be sent, in their order. What is no job file at all has none. */
function inPieces(job: JobFile): Entry[][] {
  const pieces: Entry[][] = [[]];
  let size = 0;
  for (const entry of Array.isArray(job?.entries) ? job.entries : []) {
    const length = JSON.stringify(entry).length;
    size += length;
    if (size > PIECE) {
      pieces.push([]);
      size = length;
    }
    pieces.at(-1)?.push(entry);
  }
  return pieces;
}

/** A job as it is posted, with its first entries. What is no job file at all goes as it is, to be refused with what is wrong. */
function startOf(job: JobFile, first: readonly Entry[]): unknown {
  if (typeof job !== 'object' || job === null) return job;
  return { ...job, ...(Array.isArray(job.entries) && { entries: first }), pictures: undefined };
}

/** Sends the entries that did not go at once; gives what could not be kept, in words. */
async function sendRest(id: string, pieces: readonly Entry[][]): Promise<string[]> {
  for (const [k, entries] of pieces.entries()) {
    try {
      await inTheEnd(() =>
        sendMuch<EntryAnswer>(`/jobs/${id}/entries/more`, { entries } satisfies MoreEntries),
      );
    } catch (error) {
      const lost = pieces.slice(k).reduce((sum, piece) => sum + piece.length, 0);
      const said = error instanceof ApiProblem ? error.problem.title : 'The connection was lost.';
      return [`The last ${lost} entries could not be kept. ${said}`];
    }
  }
  return [];
}

/** Sends a file's pictures one by one; gives what could not be kept, in words. */
async function sendPictures(id: string, pictures: readonly FilePicture[]): Promise<string[]> {
  const why = new Map<string, number>();
  for (const picture of pictures) {
    try {
      await inTheEnd(() => sendFilePicture(id, picture));
    } catch (error) {
      const said = error instanceof ApiProblem ? error.problem.title : 'They could not be read or sent.';
      why.set(said, (why.get(said) ?? 0) + 1);
    }
  }
  return [...why].map(
    ([said, count]) => `${count} of ${pictures.length} pictures could not be kept. ${said}`,
  );
}

/** ms, and times. The server takes so many changes a minute. */
const WAIT_MS = 5000;
const MOST_WAITS = 24;

/** Tries again while the server has been asked too much. */
async function inTheEnd<T>(send: () => Promise<T>): Promise<T> {
  for (let waits = 0; ; waits++) {
    try {
      return await send();
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.problem.code !== 'too-many' || waits === MOST_WAITS)
        throw error;
      await new Promise((done) => setTimeout(done, WAIT_MS));
    }
  }
}
