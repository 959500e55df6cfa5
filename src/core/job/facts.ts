import type { Entry, Fact, JobRecord } from './types.ts';

export type FactEntry = Extract<Entry, { type: 'fact' }>;

/**
 * The facts that stand: not withdrawn and not replaced by a fact that stands. A withdrawal can itself be withdrawn.
 * Entries are read from the newest, since an entry can only speak of older ones.
 */
export function standingFacts(record: Pick<JobRecord, 'entries'>): FactEntry[] {
  const gone = new Set<string>();
  const standing: FactEntry[] = [];
  for (const entry of [...record.entries].reverse()) {
    if (gone.has(entry.id)) continue;
    if (entry.type === 'withdraw') gone.add(entry.of);
    if (entry.type !== 'fact') continue;
    if (entry.replaces !== null) gone.add(entry.replaces);
    standing.push(entry);
  }
  return standing.reverse();
}

/** What a fact is about. */
export type FactPlace = Pick<Fact, 'kind' | 'round' | 'corner' | 'slot'>;

/** A fact with everything it does not carry left null. */
export function blankFact(place: FactPlace): Fact {
  return { ...place, valueMm: null, askedMm: null, how: null, told: null };
}

/** Facts with the same place are about the same thing: only one of them may stand. */
function placeOf(fact: FactPlace): string {
  return [fact.kind, fact.round, fact.corner ?? '', fact.slot].join('/');
}

/** The standing fact in a place, if any. */
export function factAt(facts: readonly FactEntry[], place: FactPlace): FactEntry | undefined {
  const key = placeOf(place);
  return facts.find((entry) => placeOf(entry.fact) === key);
}
