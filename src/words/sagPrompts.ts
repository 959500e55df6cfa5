import { referenceKinds, type Footing } from '#core/geometry/reference.ts';
import type { JobDocument } from '#core/document/types.ts';
import { showsSag } from '#core/document/showsSag.ts';
import type { CornerSag, LetGo } from '#core/document/sagReadings.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { footingOf } from '#core/kinds/classes/index.ts';
import { questionSag, type SagPrompt, type SagQuestion } from '#core/sag/prompts.ts';

/** How a machine was let go before its sag was read. */
export const letGoWords: Record<LetGo, string> = {
  press: 'pressed',
  lift: 'lifted',
  rest: 'as it rests',
  band: 'by a band',
};

const lifted: Record<Footing, string> = {
  bikes: 'Lift until the wheel just hangs, free play out.',
  sleds: 'Lift until it hangs topped out.',
  wheels: 'Lift until the wheel hangs.',
};

const doing: Record<LetGo, string> = {
  press: 'Press it down, let it rise slowly by itself.',
  lift: 'Lift it, let it sink slowly by itself.',
  rest: 'Let it rest.',
  band: 'Push the band to its seal, load it gently, step off.',
};

/** Who is on it, in words. */
export function whoWords({ riders }: JobDocument, who: string): string {
  return who === 'alone' ? 'nobody on' : `${riders.find(({ key }) => key === who)?.name ?? 'rider'} on`;
}

/** What to do for a reading of the bench, for the ear as well, and where the tape goes. */
export function promptWords(document: JobDocument, { id, state }: SagPrompt): { say: string; where: string } {
  const where = referenceKinds[document.corners[id].reference.kind].how;
  const name = cornerNames[id];
  return state
    ? { say: `${whoWords(document, state.who)}, ${name}. ${doing[state.how]}`, where }
    : { say: `${name}. ${lifted[footingOf(document.machine.class)]}`, where };
}

/** What is asked about a reading that goes against another. */
const sagQuestionWords: Record<SagQuestion, string> = {
  'over-extended':
    'longer than fully extended. Kept; is it the same point, and was the free play lifted out?',
  'under-pressed': 'lower than pressed and let go. Kept; were the two changed over?',
  'over-lifted': 'higher than lifted and let go. Kept; were the two changed over?',
  'over-alone': 'higher than with nobody on. Kept; was the rider on?',
};

/** The same for a reading as it is typed; null where it goes with the others. */
export function sagAsked(
  document: JobDocument,
  { id, slot, mm }: { id: CornerId; slot: string; mm: number },
  here: CornerSag,
): string | null {
  const byGauge = showsSag(document, id) && !slot.includes('-band-');
  const question = questionSag({ slot, mm: byGauge ? -mm : mm }, here);
  return question && sagQuestionWords[question];
}
