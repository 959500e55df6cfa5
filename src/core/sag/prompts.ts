import type { JobDocument } from '../document/types.ts';
import { type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerSag, LetGo, SagReadings } from '../document/sagReadings.ts';

/** One reading of the bench, and how to come by it. */
export interface SagPrompt {
  id: CornerId;
  /** Slot of its fact. */
  slot: string;
  /** Who is on it, by rider's key or `alone`, and how it is let go; fully extended where there is neither. */
  state: { who: string; how: LetGo } | null;
}

/** The ways that make a whole reading, in the order of the work. */
export const bothWays: readonly LetGo[] = ['press', 'lift'];
/** Other ways, for who reads alone or has no helper. */
export const otherWays: readonly LetGo[] = ['rest', 'band'];

/** Every reading of a whole round, in the order in which one helper gets through it soonest: each state once round. */
export function promptsOf(document: JobDocument, rider: string): SagPrompt[] {
  const ids = cornersIn(document);
  return [
    ...ids.map((id): SagPrompt => ({ id, slot: 'extended-1', state: null })),
    ...['alone', rider].flatMap((who) =>
      bothWays.flatMap((how) =>
        ids.map((id): SagPrompt => ({ id, slot: `${who}-${how}-1`, state: { who, how } })),
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

/** How a reading goes against another of the same end. */
export type SagQuestion = 'over-extended' | 'under-pressed' | 'over-lifted' | 'over-alone';

/** A reading that goes against another of the same end: how, or null. Lengths shrink as more sinks in. */
export function questionSag({ slot, mm }: { slot: string; mm: number }, here: CornerSag): SagQuestion | null {
  const [who = '', how = ''] = slot.split('-');
  const longest = Math.max(...here.extended, -Infinity);
  if (how !== 'band' && who !== 'extended' && Number.isFinite(longest) && mm > longest + 2)
    return 'over-extended';
  const state = here.states[who] ?? {};
  const pressed = Math.max(...(state.press ?? []), -Infinity);
  const low = Math.min(...(state.lift ?? []), Infinity);
  if (how === 'lift' && Number.isFinite(pressed) && mm < pressed - 3) return 'under-pressed';
  if (how === 'press' && Number.isFinite(low) && mm > low + 3) return 'over-lifted';
  const alone = Math.max(...Object.values(here.states.alone ?? {}).flat(), -Infinity);
  if (who !== 'alone' && who !== 'extended' && how !== 'band' && Number.isFinite(alone) && mm > alone + 3)
    return 'over-alone';
  return null;
}
