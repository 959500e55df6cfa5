import type { FactEntry } from '#core/document/facts.ts';
import type { CornerId } from '#core/kinds/corners.ts';

/** Said of a ring's gap that was proved by a block that just goes in; one that was read has nothing said of it. */
export const BY_BLOCK = 'by block';

/** Whether a ring's gap as it stands was proved by a block. */
export function isByBlock(facts: readonly FactEntry[], id: CornerId): boolean {
  return (
    facts.findLast(({ fact }) => fact.kind === 'ring-gap' && fact.corner === id)?.fact.remark === BY_BLOCK
  );
}
