import { askedNow } from '../document/turnedPart.ts';
import type { JobRecord } from '../document/types.ts';
import { answerFor, type AnswerOptions } from '../planning/answer.ts';
import type { Answer } from '../planning/answerShape.ts';
import { asFarAsItGoes } from './asFar.ts';
import { raisedTargets, type Raised } from '../stance/raised.ts';

/** times. Seats go in steps: a target once raised may come out a little short, and goes on from there. */
const MOST_RAISES = 3;

/** The answer to a job; where a low point would come too low by its targets they are raised as far as it needs, and it says so. */
export function plannedAnswer(asWritten: JobRecord, options: AnswerOptions): Answer | null {
  let answer = answerFor(asWritten, options);
  const furthest =
    answer &&
    asFarAsItGoes(answer, asWritten.document, (document) => answerFor({ ...asWritten, document }, options));
  const record = furthest ? { ...asWritten, document: furthest } : asWritten;
  if (furthest) answer = answerFor(record, options);
  let reasons: Raised['reasons'] = [];
  if (options.planned === false) return answer && { ...answer, written: asWritten.document };
  for (let k = 0; answer && k < MOST_RAISES; k++) {
    const raised = raisedTargets(answer, askedNow(record.document));
    if (!raised) break;
    answer = answerFor({ ...record, document: raised.document }, options);
    reasons = raised.reasons;
  }
  return answer && { ...answer, written: asWritten.document, reasons: [...reasons, ...answer.reasons] };
}
