import { factUnits, numberOf, type Fact } from '#core/document/factKinds.ts';
import type { Entry, Json } from '#core/document/types.ts';
import { factWords, pathWords } from '#words/fields.ts';
import type { Unsent } from '../../api/unsent.ts';

/** A value with the unit it is in; null where it is a word, or a number of nothing. */
export interface Said {
  value: Json;
  unit: (typeof factUnits)[keyof typeof factUnits];
}

/** One place of which two writers say different things. */
export interface Clash {
  what: string;
  yours: Said;
  theirs: Said;
  /** Who wrote theirs, by name; null where nobody said so. */
  by: string | null;
}

/** What is said differently in something that the server refused; empty where it was refused for another reason. */
export function clashesOf({ refused, what }: Unsent): Clash[] {
  const { refusal, record } = refused?.conflict ?? {};
  if (refusal?.reason === 'conflict')
    return refusal.conflicts.map(({ path, yours, theirs }) => {
      const unit = path.at(-1)?.endsWith('Mm') ? ('mm' as const) : null;
      return {
        what: pathWords(path),
        yours: { value: yours, unit },
        theirs: { value: theirs, unit },
        by: writerOf(record?.entries ?? [], path),
      };
    });
  if (refusal?.reason !== 'taken' || what.kind !== 'entry' || what.entry.type !== 'fact') return [];
  const [yours, theirs] = [what.entry.fact, refusal.standing.fact];
  return [
    { what: factWords(yours), yours: saidBy(yours), theirs: saidBy(theirs), by: refusal.standing.by ?? null },
  ];
}

/** What a fact says: its number in its unit, or its words. */
function saidBy(fact: Fact): Said {
  const value = numberOf(fact);
  if (fact.kind === 'recheck' && fact.day !== null)
    return { value: [value === null ? '' : `${value} km`, fact.day].filter(Boolean).join(', '), unit: null };
  if (value !== null) return { value, unit: factUnits[fact.kind] };
  return { value: 'how' in fact ? fact.how : 'words' in fact ? fact.words : null, unit: null };
}

/** Who changed a place of the description last, as far as that is known. */
function writerOf(entries: readonly Entry[], path: readonly string[]): string | null {
  const touches = (other: readonly string[]) =>
    other.slice(0, path.length).every((part, k) => part === path[k]);
  const last = entries.findLast((one) => one.type === 'change' && one.ops.some((op) => touches(op.path)));
  return last?.by ?? null;
}
