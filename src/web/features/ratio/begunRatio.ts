import type { RatioDocument } from '#core/document/types.ts';
import { useBegunRows, useNewRows } from '../../forms/newRows.ts';
import { ratioKinds, type RatioKind } from './ratioKind.ts';
import { putTogether, requiredParts, type Figures, type NamedKind } from './ratioParts.ts';

const isNamed = (kind: RatioKind): kind is NamedKind => kind in requiredParts;

/**
 * A ratio that somebody began to say in another way: kept in this browser and counted for nothing until every figure that it
 * needs is typed; then `done` has it.
 */
export function useBegunRatio(draftKey: string, done: (ratio: RatioDocument) => void) {
  const list = `${draftKey}|begun`;
  const [row] = useBegunRows(list);
  const kind = ratioKinds.find((one) => one === row?.fields.kind) ?? null;
  const named = kind !== null && isNamed(kind) ? kind : null;
  const rows = useNewRows(list, named ? requiredParts[named] : [], (fields) => {
    if (named) done(putTogether(named, fields));
  });
  return {
    kind,
    /** What is typed so far. */
    figures: (row?.fields ?? {}) as Figures,
    /** How many figures it still needs. */
    missing: row && named ? rows.missing(row).length : 0,
    begin: (next: RatioKind) => {
      rows.clear();
      rows.add({ kind: next });
    },
    drop: rows.clear,
    set: (key: string, value: number | null) => row && rows.set(row.id, key, value),
  };
}
