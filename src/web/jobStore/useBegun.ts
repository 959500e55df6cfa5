import type { FactPlace } from '#core/document/factKinds.ts';
import { factAt } from '#core/document/facts.ts';
import { factKey } from './draftKeys.ts';
import { useDrafts } from './drafts.ts';
import { useThisJob } from './jobContext.ts';

/** Tells of a place whether something was entered or is being typed there: then the next place is shown. */
export function useBegun(): (place: FactPlace) => boolean {
  const { record, facts } = useThisJob();
  const drafts = useDrafts((state) => state.drafts);
  return (place) => factAt(facts, place) !== undefined || factKey(record.id, place) in drafts;
}
