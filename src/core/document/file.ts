import { applyEntry } from './applyEntry.ts';
import { migrateJob } from './migrate.ts';
import { applyOps, invertOps } from './ops.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Entry, JobDocument, JobRecord, Json } from './types.ts';

/** A job as it is written to a file: what is fitted and wanted as it stands, and everything seen and done. */
export type JobFile = Omit<JobRecord, 'version'>;

/** A picture in a job file: where the tape is held at a corner, or one that a height was read off. */
export interface FilePicture {
  id: string;
  corner: CornerId;
  /** When it was taken, ISO 8601. */
  at: string;
  /** The JPEG itself in base64. */
  jpeg: string;
  /** Where a height was read off it: in which round, and all that it takes to read it again. */
  reading?: { round: number; meta: unknown };
}

/** The open job file of a record, with its pictures where there are any. */
export function jobFileOf(
  { id, document, entries }: JobRecord,
  pictures: readonly FilePicture[] = [],
): JobFile & { pictures?: readonly FilePicture[] } {
  return { id, document, entries, ...(pictures.length > 0 && { pictures }) };
}

/** The pictures of a file; what cannot be one is left out. */
export function picturesIn(file: unknown): FilePicture[] {
  const { pictures } = (file ?? {}) as { pictures?: unknown };
  const isPicture = (one: Partial<FilePicture> | null) =>
    [one?.id, one?.corner, one?.at, one?.jpeg].every((part) => typeof part === 'string');
  return Array.isArray(pictures) ? pictures.filter(isPicture) : [];
}

/** A file's name for a job: its own name as far as file systems take it. */
export function jobFileName({ document }: JobRecord): string {
  const plain = document.name
    .normalize('NFKD')
    .replace(/[^\w-]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${plain.toLowerCase() || 'job'}.margin.json`;
}

/**
 * A file's job under ids of its own, as the server takes new jobs: the description as it was before the first entry, and
 * all entries after it. Where the changes in a file do not lead to its description (somebody edited it), the description
 * stands and only what was seen and done goes along. What is not a job file is given back as it is, to be refused there.
 */
export function jobFromFile(file: unknown, newId: () => string): JobFile {
  const job = migrateJob(file) as JobFile;
  if (!Array.isArray(job?.entries) || typeof job.document !== 'object') return job;
  const start = unwound(job);
  const kept = start ? job.entries : job.entries.filter(({ type }) => type !== 'change');
  const ids = new Map(kept.map(({ id }) => [id, newId()]));
  const renamed = (id: string | null) => (id === null ? null : (ids.get(id) ?? null));
  const entries = kept.map((entry): Entry => {
    const base = {
      id: ids.get(entry.id) as string,
      undoOf: renamed(entry.undoOf),
      redoOf: renamed(entry.redoOf),
    };
    if (entry.type === 'fact') return { ...entry, ...base, replaces: renamed(entry.replaces) };
    return entry.type === 'withdraw'
      ? { ...entry, ...base, of: ids.get(entry.of) ?? entry.of }
      : { ...entry, ...base };
  });
  return { id: newId(), document: start ?? job.document, entries };
}

/** The description before its first change; null when the changes do not lead from there to here. */
function unwound({ id, document, entries }: JobFile): JobDocument | null {
  let start = document as unknown as Json;
  for (const entry of [...entries].reverse()) {
    if (entry.type !== 'change' || !Array.isArray(entry.ops)) continue;
    const back = applyOps(start, invertOps(entry.ops));
    if (!back.ok) return null;
    start = back.value;
  }
  const first = start as unknown as JobDocument;
  let record: JobRecord = { id, version: 1, document: first, entries: [] };
  for (const entry of entries) {
    const result = applyEntry(record, entry);
    if (!result.ok) return null;
    record = result.record;
  }
  return first;
}
