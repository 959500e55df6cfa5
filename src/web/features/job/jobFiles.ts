import { jobFileName, jobFileOf, jobFromFile } from '#core/document/file.ts';
import { download } from '../../ui/download.ts';
import type { Entry, JobRecord } from '#core/document/types.ts';
import type { JobAnswer } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import { ApiProblem, callApi } from '../../api/client.ts';

/** Hands the reader a job as a file. */
export function saveJobFile(record: JobRecord): void {
  handOver(`${JSON.stringify(jobFileOf(record), null, 2)}\n`, 'application/json', jobFileName(record));
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

export type Opened = { ok: true; id: string } | { ok: false; why: string; details: string[] };

/** Makes a job of a file's text. Says what is wrong with it, and where, when it cannot. */
export async function openJobFile(text: string): Promise<Opened> {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch (error) {
    return { ok: false, why: 'The file is not JSON.', details: [(error as Error).message] };
  }
  try {
    const { id } = await callApi<JobAnswer>(
      '/jobs',
      jobFromFile(file, () => crypto.randomUUID()),
    );
    return { ok: true, id };
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
