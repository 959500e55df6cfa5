import { showsSag } from '../document/showsSag.ts';
import { sagWish } from '../document/sagWish.ts';
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

/** The ways that take friction out of a reading, in the order of the work. */
const bothWays: readonly LetGo[] = ['press', 'lift'];

/** Every reading of a whole round taken both ways, in the order in which one helper gets through it soonest: each state once round. */
export function promptsOf(document: JobDocument, rider: string): SagPrompt[] {
  const ids = sagEndsOf(document);
  return [
    ...ids
      .filter((id) => !showsSag(document, id))
      .map((id): SagPrompt => ({ id, slot: 'extended-1', state: null })),
    ...['alone', rider].flatMap((who) =>
      bothWays.flatMap((how) =>
        ids.map((id): SagPrompt => ({ id, slot: `${who}-${how}-1`, state: { who, how } })),
      ),
    ),
  ];
}

/** Ends that are set by sag: those of which one is wanted; all of them while none is. */
export function sagEndsOf(document: JobDocument): readonly CornerId[] {
  const ids = cornersIn(document);
  const wanted = ids.filter((id) => sagWish(document, id) !== null);
  return wanted.length > 0 ? wanted : ids;
}

/** Who is on while the sag of an end is read, the one that it is set by first: by rider's key, or `alone`. */
export function statesAt(document: JobDocument, id: CornerId, rider: string): string[] {
  return sagWish(document, id)?.who === 'alone' ? ['alone'] : [rider, 'alone'];
}

/** What of a round is read, and how: by `pressing` both ways where somebody chose to, else as it rests. */
interface Reading {
  sag: SagReadings;
  /** Ends that were read fully extended, in this round or before. */
  extended: readonly CornerId[];
  pressing: boolean;
}

/**
 * The reading that is taken next: each end hanging, then as it is set; null once all are in. A state that was read in one
 * way is asked for in no other, but for the way back of one that was pressed or lifted; a band needs nothing else.
 */
export function nextReading(
  document: JobDocument,
  rider: string,
  { sag, extended, pressing }: Reading,
): SagPrompt | null {
  const ends = sagEndsOf(document).map((id) => {
    const [who = 'alone'] = statesAt(document, id, rider);
    return { id, who, read: sag[id]?.states[who] ?? {} };
  });
  const hanging = ends.find(
    ({ id, read }) => !showsSag(document, id) && !extended.includes(id) && !read.band?.length,
  );
  if (hanging) return { id: hanging.id, slot: 'extended-1', state: null };
  const open = ends.flatMap(({ id, who, read: { rest, band, press, lift } }): SagPrompt[] => {
    const has = (list?: readonly number[]) => (list?.length ?? 0) > 0;
    if (has(band) || (has(rest) && !pressing)) return [];
    if (!pressing && !has(press) && !has(lift)) return [prompt(id, who, 'rest')];
    return bothWays.filter((how) => !has(how === 'press' ? press : lift)).map((how) => prompt(id, who, how));
  });
  return open[0] ?? null;
}

const prompt = (id: CornerId, who: string, how: LetGo): SagPrompt => ({
  id,
  slot: `${who}-${how}-1`,
  state: { who, how },
});

/** How a reading goes against another of the same end. */
export type SagQuestion = 'over-extended' | 'under-pressed' | 'over-lifted' | 'over-alone';

/**
 * A reading that goes against another of the same end: how, or null. Lengths shrink as more sinks in; by a gauge that shows
 * the sag itself they are counted down from zero.
 */
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
