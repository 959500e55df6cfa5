import type { Entry } from '#core/job/types.ts';
import type { changes, entries, facts } from './tables.ts';

export type EntryRow = typeof entries.$inferSelect;
export type ChangeRow = typeof changes.$inferSelect;
export type FactRow = typeof facts.$inferSelect;

/** Rows of one entry, put back together. */
export function entryFromRows(
  row: EntryRow,
  change: ChangeRow | undefined,
  fact: FactRow | undefined,
): Entry {
  const base = {
    id: row.id,
    at: row.at.toISOString(),
    label: row.label,
    undoOf: row.undoOf,
    redoOf: row.redoOf,
  };
  if (row.type === 'change' && change) return { ...base, type: 'change', ops: change.ops };
  if (row.type === 'fact' && fact)
    return { ...base, type: 'fact', fact: factFromRow(fact), replaces: fact.replaces };
  if (row.type === 'withdraw' && row.of !== null) return { ...base, type: 'withdraw', of: row.of };
  throw new Error(`expected the parts of a ${row.type} entry at ${row.jobId}/${row.seq}, got none`);
}

function factFromRow(row: FactRow): Extract<Entry, { type: 'fact' }>['fact'] {
  const { kind, round, corner, slot, valueMm, typed, askedMm, how, told } = row;
  return {
    ...{ kind, round, corner, slot, valueMm, askedMm, how, told },
    ...(typed === null ? {} : { typed }),
  } as Extract<Entry, { type: 'fact' }>['fact'];
}
