import type { FactEntry } from '#core/document/facts.ts';

/** The round that is being read, or with the machine up the one that is being turned for: it begins once the last was read. */
export function notebookRound(facts: readonly FactEntry[], up: boolean): number {
  const last = Math.max(0, ...facts.map(({ fact }) => fact.round));
  const read = facts.some(({ fact }) => fact.kind === 'height' && fact.round === last);
  return up && read ? last + 1 : last;
}
