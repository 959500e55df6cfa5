import { referenceKinds, type Footing } from '../geometry/reference.ts';
import type { JobDocument } from '../document/types.ts';
import { cornerNames, type CornerId } from '../kinds/corners.ts';
import { cornersIn, footingOf } from '../kinds/classes/index.ts';
import type { CornerSag, LetGo, SagReadings } from '../document/sagReadings.ts';

/** One reading of the bench, and how to come by it. */
export interface SagPrompt {
  id: CornerId;
  /** Slot of its fact. */
  slot: string;
  /** What to do, for the ear as well. */
  say: string;
  /** Where the tape goes. */
  where: string;
}

/** The ways that make a whole reading, in the order of the work. */
export const bothWays: readonly LetGo[] = ['press', 'lift'];
/** Other ways, for who reads alone or has no helper. */
export const otherWays: readonly LetGo[] = ['rest', 'band'];

export const wayWords: Record<LetGo, string> = {
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

/** Every reading of a whole round, in the order in which one helper gets through it soonest: each state once round. */
export function promptsOf(document: JobDocument, rider: string): SagPrompt[] {
  const ids = cornersIn(document);
  const footing = footingOf(document.machine.class);
  const at = (id: CornerId, slot: string, say: string): SagPrompt => ({
    id,
    slot,
    say,
    where: referenceKinds[document.corners[id].reference.kind].how,
  });
  return [
    ...ids.map((id) => at(id, 'extended-1', `${cornerNames[id]}. ${lifted[footing]}`)),
    ...['alone', rider].flatMap((who) =>
      bothWays.flatMap((how) =>
        ids.map((id) =>
          at(id, `${who}-${how}-1`, `${whoWords(document, who)}, ${cornerNames[id]}. ${doing[how]}`),
        ),
      ),
    ),
  ];
}

/** The first reading that is still missing in a round; what reads fully extended is taken over from earlier ones. */
export function nextPrompt(
  document: JobDocument,
  rider: string,
  sag: SagReadings,
  extended: readonly CornerId[],
): SagPrompt | null {
  return (
    promptsOf(document, rider).find(({ id, slot }) => {
      const [who = '', how = ''] = slot.split('-');
      if (who === 'extended') return !extended.includes(id);
      return (sag[id]?.states[who]?.[how as LetGo]?.length ?? 0) === 0;
    }) ?? null
  );
}

/** A reading that goes against another of the same end: what it is, or null. Lengths shrink as more sinks in. */
export function questionSag({ slot, mm }: { slot: string; mm: number }, here: CornerSag): string | null {
  const [who = '', how = ''] = slot.split('-');
  const longest = Math.max(...here.extended, -Infinity);
  if (how !== 'band' && who !== 'extended' && Number.isFinite(longest) && mm > longest + 2)
    return 'longer than fully extended. Kept; is it the same point, and was the free play lifted out?';
  const state = here.states[who] ?? {};
  const pressed = Math.max(...(state.press ?? []), -Infinity);
  const low = Math.min(...(state.lift ?? []), Infinity);
  if (how === 'lift' && Number.isFinite(pressed) && mm < pressed - 3)
    return 'lower than pressed and let go. Kept; were the two changed over?';
  if (how === 'press' && Number.isFinite(low) && mm > low + 3)
    return 'higher than lifted and let go. Kept; were the two changed over?';
  const alone = Math.max(...Object.values(here.states.alone ?? {}).flat(), -Infinity);
  if (who !== 'alone' && who !== 'extended' && how !== 'band' && Number.isFinite(alone) && mm > alone + 3)
    return 'higher than with nobody on. Kept; was the rider on?';
  return null;
}
