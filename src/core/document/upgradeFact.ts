import { emptyFields, factUnits, type FactKind } from './factKinds.ts';

type Plain = Record<string, unknown>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Where a kind kept what was said of it under its own name. */
const saidUnder: Partial<Record<FactKind, string>> = {
  settled: 'how',
  prep: 'how',
  check: 'how',
  note: 'words',
  recheck: 'day',
  cycled: 'nearest',
};

/**
 * A fact as any earlier version wrote it, every kind with one set of fields, kg and bar under the name of mm among them, as
 * a fact with its own. Anything else is given back as it is, to be refused where it is checked.
 */
export function upgradedFact(fact: unknown): unknown {
  if (!isPlain(fact) || typeof fact.kind !== 'string' || !(fact.kind in factUnits)) return fact;
  if (!('valueMm' in fact) && !('askedMm' in fact && 'how' in fact && 'told' in fact)) return fact;
  const kind = fact.kind as FactKind;
  const { valueMm, askedMm, how, told, ...place } = fact;
  return {
    ...place,
    ...emptyFields[kind],
    // What does not belong to a kind stays, to be refused by its name.
    ...(isGiven(valueMm) ? { [factUnits[kind] ?? 'valueMm']: valueMm } : {}),
    ...(isGiven(askedMm) ? { askedMm } : {}),
    ...(isGiven(how) ? { [saidUnder[kind] ?? 'remark']: how } : {}),
    ...(isGiven(told) ? { told } : {}),
  };
}

/** A fact as a store has it, which keeps no empty fields. */
export function wholeFact(kept: Plain & { kind: FactKind }): unknown {
  return { ...emptyFields[kept.kind], ...kept };
}

const isGiven = (value: unknown) => value !== null && value !== undefined;

/** An entry of any earlier version with its fact upgraded; anything else as it is. */
export function upgradedEntry(entry: unknown): unknown {
  return isPlain(entry) && entry.type === 'fact' ? { ...entry, fact: upgradedFact(entry.fact) } : entry;
}

/** The same for a list of them. */
export function upgradedEntries(entries: unknown): unknown {
  return Array.isArray(entries) ? entries.map(upgradedEntry) : entries;
}
