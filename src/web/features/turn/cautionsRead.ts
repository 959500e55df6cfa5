import type { Stage } from '#core/judgement/stages.ts';
import { cautionsAt, type CautionId } from '#core/judgement/cautions.ts';
import type { Job } from '../../jobStore/useJob.ts';

/** Where it is kept that a caution was read: once a job. */
export const readPlace = (id: string) => ({
  kind: 'acknowledged' as const,
  round: 0,
  corner: null,
  slot: id,
});

/** Cautions of a step that nobody has ticked as read. */
export function unreadCautions(job: Job, stage: Stage): CautionId[] {
  const read = new Set(job.facts.flatMap(({ fact }) => (fact.kind === 'acknowledged' ? [fact.slot] : [])));
  return cautionsAt(stage, job.record.document).filter((id) => !read.has(id));
}
