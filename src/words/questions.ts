import { type Question } from '#core/judgement/questions.ts';

/** A question in words; `say` writes mm in the reader's units. */
export function questionWords(question: Question, say: (mm: number) => string): string {
  const size = say(Math.abs(question.differenceMm));
  if (question.kind === 'target')
    return `${size} from what it reads now. Kept; is the number whole, and the point the same?`;
  if (question.kind === 'trend')
    return `${size} ${question.differenceMm < 0 ? 'lower' : 'higher'} than this round should read. Kept; is it settled, and the point the same?`;
  return question.kind === 'twin'
    ? `${size} off its twin across the axle. Kept; check the point and read again if in doubt.`
    : `${size} off the other reading here. Kept; settle and read again.`;
}
