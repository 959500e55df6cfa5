import { factAt, standingFacts, type FactEntry } from './facts.ts';
import { applyOps, type OpConflict } from './ops.ts';
import type { Entry, JobDocument, JobRecord, Json } from './types.ts';

/** Why an entry cannot be added as it stands. */
export type EntryRefusal =
  | { reason: 'conflict'; conflicts: OpConflict[] }
  /** Another fact stands in the same place. */
  | { reason: 'taken'; standing: FactEntry }
  /** Of a round that nothing leads to: `most` is the last that it may be of. */
  | { reason: 'late-round'; most: number }
  | { reason: 'unknown-path'; path: string[] }
  | { reason: 'unknown-entry'; id: string };

export type EntryResult = { ok: true; record: JobRecord } | { ok: false; refusal: EntryRefusal };

/** Rounds follow one another; a file may have lost one that was taken back. Every one costs time to work out, read or not. */
const ROUNDS_AHEAD = 3;

function lastRound({ entries }: JobRecord): number {
  return entries.reduce((last, one) => (one.type === 'fact' ? Math.max(last, one.fact.round) : last), 0);
}

/** Adds an entry to a job: the one way anything about a job changes, on the page and on the server alike. */
export function applyEntry(record: JobRecord, entry: Entry): EntryResult {
  const missing = unknownReference(record, entry);
  if (missing !== null) return refuse({ reason: 'unknown-entry', id: missing });
  if (entry.type === 'change') return applyChange(record, entry);
  if (entry.type === 'fact') {
    const standing = factAt(standingFacts(record), entry.fact);
    if (standing && standing.id !== entry.replaces) return refuse({ reason: 'taken', standing });
    const most = lastRound(record) + ROUNDS_AHEAD;
    if (entry.fact.round > most) return refuse({ reason: 'late-round', most });
  }
  return { ok: true, record: append(record, entry, record.document) };
}

function applyChange(record: JobRecord, entry: Extract<Entry, { type: 'change' }>): EntryResult {
  const result = applyOps(record.document as unknown as Json, entry.ops);
  if (result.ok) return { ok: true, record: append(record, entry, result.value as unknown as JobDocument) };
  if (result.unknownPath) return refuse({ reason: 'unknown-path', path: result.unknownPath });
  return refuse({ reason: 'conflict', conflicts: result.conflicts });
}

function append(record: JobRecord, entry: Entry, document: JobDocument): JobRecord {
  return { ...record, document, version: record.version + 1, entries: [...record.entries, entry] };
}

function refuse(refusal: EntryRefusal): EntryResult {
  return { ok: false, refusal };
}

function unknownReference(record: JobRecord, entry: Entry): string | null {
  const named = [
    entry.undoOf,
    entry.redoOf,
    entry.type === 'withdraw' ? entry.of : null,
    entry.type === 'fact' ? entry.replaces : null,
  ];
  const known = new Set(record.entries.map(({ id }) => id));
  return named.find((id) => id !== null && !known.has(id)) ?? null;
}
