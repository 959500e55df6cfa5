import type { Entry } from './types.ts';

const plain = <T extends string | null>(id: T): T => (id === null ? id : (id.toLowerCase() as T));

/** An entry with its ids in small letters: capitals name the same entry, and are compared as text. */
export function withPlainIds(entry: Entry): Entry {
  const base = { id: plain(entry.id), undoOf: plain(entry.undoOf), redoOf: plain(entry.redoOf) };
  if (entry.type === 'fact') return { ...entry, ...base, replaces: plain(entry.replaces) };
  return entry.type === 'withdraw' ? { ...entry, ...base, of: plain(entry.of) } : { ...entry, ...base };
}
