import { BlobReader, configure, TextWriter, ZipReader, type FileEntry } from '@zip.js/zip.js';

// A worker made of a text is not allowed on this page.
configure({ useWebWorkers: false });

/** The job files in a zip; the text of each is read when it is asked for. Throws where it is no zip, or has none in it. */
export async function jobTextsIn(zip: Blob): Promise<{ name: string; text: () => Promise<string> }[]> {
  const entries = await new ZipReader(new BlobReader(zip)).getEntries();
  const files = entries.filter(
    (entry): entry is FileEntry => !entry.directory && entry.filename.toLowerCase().endsWith('.json'),
  );
  if (files.length === 0) throw new Error('There is no job file in it.');
  return files.map((entry) => ({ name: entry.filename, text: () => entry.getData(new TextWriter()) }));
}
