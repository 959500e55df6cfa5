import type { Answer } from '#core/planning/answerShape.ts';
import type { JobRecord } from '#core/document/types.ts';
import { answerFor } from '#core/planning/answer.ts';

const answers = new WeakMap<JobRecord, Answer | null>();

/** What `answerFor` says of a record, worked out once however many parts of a page ask. */
export function answerOf(record: JobRecord): Answer | null {
  const known = answers.get(record);
  if (known !== undefined) return known;
  const answer = answerFor(record);
  answers.set(record, answer);
  return answer;
}
