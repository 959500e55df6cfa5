import { limits } from '#contract/limits.ts';
import { numbered, type FactPlace } from '#core/document/factKinds.ts';
import { factAt, standingFacts } from '#core/document/facts.ts';
import { applyEntry } from '#core/document/applyEntry.ts';
import { applyOps } from '#core/document/ops.ts';
import type { Entry, FactKind, JobDocument, JobRecord, Json } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Draft } from './drafts.ts';

/** Name of the draft of a fact's field. */
export function factKey(jobId: string, { kind, round, corner, slot }: FactPlace): string {
  return `${jobId}|fact|${kind}|${round}|${corner ?? ''}|${slot}`;
}

/** Name of the draft of a description's field; a field that sets several places at once names them all. */
export function pathKey(jobId: string, ...paths: (readonly string[])[]): string {
  return `${jobId}|path|${paths.map((path) => path.join('.')).join(';')}`;
}

/** What was typed for a fact, as much of it as is kept. */
export const asKept = (typed: string): string => typed.slice(0, limits.typedLength);

type Stamp = Pick<Entry, 'id' | 'at'>;

/**
 * The record as it would be with everything readable that is typed at this moment: this is what the sheet draws from.
 * `stamp` gives the facts made of drafts their id and time; by default they are only looked at, never sent.
 */
export function withDrafts(
  record: JobRecord,
  drafts: Readonly<Record<string, Draft>>,
  stamp: (key: string) => Stamp = (key) => ({ id: key, at: '' }),
): JobRecord {
  return Object.entries(drafts).reduce((sofar, [key, { value, typed }]) => {
    const [jobId, kind, ...rest] = key.split('|');
    if (jobId !== record.id || value === null) return sofar;
    if (kind === 'fact') return withFact(sofar, stamp(key), placeFrom(rest), { value, typed });
    if (kind !== 'path') return sofar;
    return (rest[0] ?? '').split(';').reduce((open, path) => withValue(open, path.split('.'), value), sofar);
  }, record);
}

function placeFrom([kind, round, corner, slot]: string[]): FactPlace {
  return {
    kind: kind as FactKind,
    round: Number(round),
    corner: corner === '' ? null : (corner as CornerId),
    slot: slot ?? '1',
  };
}

const LIVE_KINDS = ['height', 'collar', 'travel-used', 'sag', 'pad', 'link', 'camber'] as const;

function isLive(place: FactPlace): place is FactPlace<(typeof LIVE_KINDS)[number]> {
  return LIVE_KINDS.some((kind) => kind === place.kind);
}

function withFact(
  record: JobRecord,
  stamp: Stamp,
  place: FactPlace,
  { value, typed }: { value: number; typed: string | undefined },
): JobRecord {
  if (!isLive(place)) return record;
  const replaces = factAt(standingFacts(record), place)?.id ?? null;
  const base = { ...stamp, label: 'Typed', undoOf: null, redoOf: null };
  const fact = { ...numbered(place, value), ...(typed === undefined ? {} : { typed: asKept(typed) }) };
  const entry: Entry = { ...base, type: 'fact', fact, replaces };
  const result = applyEntry(record, entry);
  return result.ok ? result.record : record;
}

function withValue(record: JobRecord, path: string[], to: number): JobRecord {
  const result = applyOps(record.document as unknown as Json, [
    { path, from: valueAt(record.document, path), to },
  ]);
  return result.ok ? { ...record, document: result.value as unknown as JobDocument } : record;
}

/** The value at a path of a document; null where there is nothing, as for a draft of an older version. */
export function valueAt(document: JobDocument, path: readonly string[]): Json {
  return path.reduce<Json>(
    (here, key) => {
      const holds = typeof here === 'object' && here !== null && Object.hasOwn(here, key);
      return holds ? ((here as { [key: string]: Json })[key] as Json) : null;
    },
    document as unknown as Json,
  );
}
