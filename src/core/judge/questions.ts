import type { CornerId } from '../machine/body.ts';
import { twinOf } from '../machine/body.ts';
import type { Round } from '../job/rounds.ts';
import { meanOf } from '../learn/posterior.ts';
import { tolerances } from '../tolerances.ts';

export type Question = { kind: 'twin'; differenceMm: number } | { kind: 'repeat'; differenceMm: number };

/** Whether a height reading is unlikely enough to ask about; it is kept whatever the answer. */
export function questionHeight(
  readingMm: number,
  corner: CornerId,
  round: Round | undefined,
  others: readonly number[],
): Question | null {
  const repeat = others.length > 0 ? readingMm - meanOf(others) : 0;
  if (Math.abs(repeat) > tolerances.repeatQuestionMm) return { kind: 'repeat', differenceMm: repeat };
  const twin = round?.heights[twinOf(corner)];
  const difference = twin ? readingMm - meanOf(twin) : 0;
  return Math.abs(difference) > tolerances.twinQuestionMm ? { kind: 'twin', differenceMm: difference } : null;
}

/** A question in words; `say` writes mm in the reader's units. */
export function questionWords(question: Question, say: (mm: number) => string): string {
  const size = say(Math.abs(question.differenceMm));
  return question.kind === 'twin'
    ? `${size} off its twin across the axle. Kept; check the point and read again if in doubt.`
    : `${size} off the other reading here. Kept; settle and read again.`;
}
