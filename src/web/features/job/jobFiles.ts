import { jobFileName, jobFileOf, jobFromFile } from '#core/job/file.ts';
import type { JobRecord } from '#core/job/types.ts';
import type { JobAnswer } from '#contract/api.ts';
import { ApiProblem, callApi } from '../../api/client.ts';

/** Hands the reader a job as a file. */
export function saveJobFile(record: JobRecord): void {
  const text = `${JSON.stringify(jobFileOf(record), null, 2)}\n`;
  const url = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = jobFileName(record);
  link.click();
  URL.revokeObjectURL(url);
}

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
      return { ok: false, why: 'The server cannot be reached just now; the file is as it was.', details: [] };
    const { title, errors = [] } = error.problem;
    return {
      ok: false,
      why: `Not opened. ${title}`,
      details: errors.slice(0, 8).map(({ pointer, detail }) => `${pointer || 'the file'}: ${detail}`),
    };
  }
}
