import { openJobFile, type Opened } from '../job/jobFiles.ts';

/** A file of those that were chosen, or of a zip among them, and what became of it. */
export interface OpenedFile {
  name: string;
  opened: Opened;
  /** How many there are, as far as is known by now. */
  of: number;
}

/** Opens job files and zips of job files, one after another. */
export async function* openFiles(files: readonly File[]): AsyncGenerator<OpenedFile> {
  let of = files.length;
  for (const file of files) {
    if (!isZip(file)) {
      yield { name: file.name, opened: await openJobFile(await file.text()), of };
      continue;
    }
    const { jobTextsIn } = await import('./zip.ts');
    const texts = await jobTextsIn(file).catch((error: Error) => error);
    if (texts instanceof Error) {
      const why = `The zip cannot be read. ${texts.message}`;
      yield { name: file.name, opened: { ok: false, why, details: [] }, of };
      continue;
    }
    of += texts.length - 1;
    for (const { name, text } of texts) {
      const read = await text().catch(() => null);
      const opened =
        read === null
          ? { ok: false as const, why: 'It cannot be unpacked.', details: [] }
          : await openJobFile(read);
      yield { name, opened, of };
    }
  }
}

function isZip({ name, type }: File): boolean {
  return type === 'application/zip' || name.toLowerCase().endsWith('.zip');
}
