import type { FactEntry } from '#core/document/facts.ts';
import type { RingWork } from '#core/planning/ringWork.ts';

/** Said of a ring's gap that was proved by a block that just goes in; one that was read has nothing said of it. */
export const BY_BLOCK = 'by block';

/** Whether a ring's gap as it stands was proved by a block. */
export function isByBlock(facts: readonly FactEntry[], { id, ring, by }: RingWork): boolean {
  if (by !== 'gap') return false;
  const last = facts.findLast(
    ({ fact }) => fact.kind === 'ring-gap' && fact.corner === id && fact.slot.endsWith('-2') === (ring === 1),
  );
  return last?.fact.remark === BY_BLOCK;
}
