import type { Fact, FactKind, FactPlace } from './factKinds.ts';
import type { Entry, JobRecord } from './types.ts';

type FactOfAnyKind = Extract<Entry, { type: 'fact' }>;

/** An entry that says a fact. Its own fact takes the place of the general one: both at once would be every pair of kinds. */
export type FactEntry<K extends FactKind = FactKind> = Omit<FactOfAnyKind, 'fact'> & { fact: Fact<K> };

/**
 * The facts that stand. A correction hides all that it corrects, however often that was corrected before; undoing it brings
 * back the one before it. A withdrawal can itself be withdrawn.
 * Entries are read from the newest, since an entry can only speak of older ones.
 */
export function standingFacts(record: Pick<JobRecord, 'entries'>): FactEntry[] {
  /** Behind a correction: hidden with all that it replaced itself. */
  const hidden = new Set<string>();
  /** Undone: as if it had never been, so that what it replaced shows again. */
  const undone = new Set<string>();
  const standing: FactEntry[] = [];
  for (const entry of [...record.entries].reverse()) {
    const isHidden = hidden.has(entry.id);
    if (entry.type === 'withdraw' && !undone.has(entry.id)) undone.add(entry.of);
    if (entry.type !== 'fact' || (undone.has(entry.id) && !isHidden)) continue;
    if (entry.replaces !== null) hidden.add(entry.replaces);
    if (!isHidden) standing.push(entry);
  }
  return standing.reverse();
}

/** A standing fact and all that it corrected, oldest first: what has to be withdrawn to leave its place empty. */
export function correctedBy(record: Pick<JobRecord, 'entries'>, standing: FactEntry): FactEntry[] {
  const facts = new Map(
    record.entries.flatMap((entry) => (entry.type === 'fact' ? [[entry.id, entry]] : [])),
  );
  const chain: FactEntry[] = [];
  for (let one: FactEntry | undefined = standing; one; one = facts.get(one.replaces ?? ''))
    chain.unshift(one);
  return chain;
}

/** Facts with the same place are about the same thing: only one of them may stand. */
function placeOf(fact: FactPlace): string {
  return [fact.kind, fact.round, fact.corner ?? '', fact.slot].join('/');
}

/** The standing fact in a place, if any. */
export function factAt<K extends FactKind>(
  facts: readonly FactEntry[],
  place: FactPlace<K>,
): FactEntry<K> | undefined {
  const key = placeOf(place);
  return facts.find((entry) => placeOf(entry.fact) === key) as FactEntry<K> | undefined;
}

/** Whether a fact is of one kind, for lists of them. */
export const isOf =
  <K extends FactKind>(kind: K) =>
  (fact: Fact): fact is Extract<Fact, { kind: K }> =>
    fact.kind === kind;
