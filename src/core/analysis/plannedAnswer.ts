import type { JobRecord } from '../document/types.ts';
import { answerFor, type AnswerOptions } from '../planning/answer.ts';
import type { Answer } from '../planning/answerShape.ts';
import { raisedTargets } from '../stance/raised.ts';

/** The answer to a job; where a low point would come too low by its targets they are raised as far as it needs, and it says so. */
export function plannedAnswer(record: JobRecord, options: AnswerOptions): Answer | null {
  const answer = answerFor(record, options);
  const raised = answer && options.planned !== false ? raisedTargets(answer) : null;
  const then = raised && answerFor({ ...record, document: raised.document }, options);
  return then ? { ...then, reasons: [...raised.reasons, ...then.reasons] } : answer;
}
