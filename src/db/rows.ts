import type { Fact, FactKind } from '#core/document/factKinds.ts';
import { wholeFact } from '#core/document/upgradeFact.ts';
import type { Entry } from '#core/document/types.ts';
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
    ...(row.by !== null && { by: row.by }),
  };
  if (row.type === 'change' && change) return { ...base, type: 'change', ops: change.ops };
  if (row.type === 'fact' && fact)
    return { ...base, type: 'fact', fact: factFromRow(fact), replaces: fact.replaces };
  if (row.type === 'withdraw' && row.of !== null) return { ...base, type: 'withdraw', of: row.of };
  throw new Error(`expected the parts of a ${row.type} entry at ${row.jobId}/${row.seq}, got none`);
}

function factFromRow({ kind, round, corner, slot, fields }: FactRow): Fact {
  return wholeFact({ ...fields, kind: kind as FactKind, round, corner, slot }) as Fact;
}

/** The columns of a fact. */
export function rowOfFact({
  kind,
  round,
  corner,
  slot,
  ...fields
}: Fact): Omit<FactRow, 'jobId' | 'seq' | 'replaces'> {
  const given = Object.entries(fields).filter(([, value]) => value !== null && value !== undefined);
  return { kind, round, corner, slot, fields: Object.fromEntries(given) };
}
