/** One rung of the sled's balance ladder: what to move, what to feel for, and what it costs. */
export interface Rung {
  id: string;
  words: string;
  why: string;
  /** When to go no further on this rung. */
  until: string;
}

export type Wish = 'more' | 'less';

/**
 * More ski pressure, or less: transfer blocks first (they cost nothing), then preload within the sag window, and the
 * limiter strap last, since it takes travel from the skid's front arm.
 */
const ladders: Record<Wish, readonly Rung[]> = {
  more: [
    {
      id: 'start',
      words: 'Front arm: no free wobble by hand, then sag as read.',
      why: 'A loose front-arm spring lets the nose drop in and out: nothing above can be felt.',
      until: 'it is snug',
    },
    {
      id: 'blocks',
      words: 'Transfer blocks up one position, both sides alike.',
      why: 'Under power less weight goes to the rear, and more stays on the skis.',
      until: 'the skis bite, or the blocks are at their highest',
    },
    {
      id: 'preload',
      words: 'Ski preload up, within its sag window.',
      why: 'The skis carry more at all times.',
      until: 'they bite, or static sag reaches the least of its window',
    },
    {
      id: 'strap',
      words: 'Limiter strap in by one hole, last.',
      why: 'It holds the nose down under power, and costs travel of the skid’s front arm.',
      until: 'they bite; more than two holes and look elsewhere',
    },
  ],
  less: [
    {
      id: 'start',
      words: 'Front arm: no free wobble by hand, then sag as read.',
      why: 'A loose front-arm spring lets the nose drop in and out: nothing above can be felt.',
      until: 'it is snug',
    },
    {
      id: 'blocks',
      words: 'Transfer blocks down one position, both sides alike.',
      why: 'Under power more weight goes to the rear, and the skis come up.',
      until: 'the skis lift easily, or the blocks are at their lowest',
    },
    {
      id: 'preload',
      words: 'Ski preload down, within its sag window.',
      why: 'The skis carry less at all times.',
      until: 'they lift, or static sag reaches the most of its window',
    },
    {
      id: 'strap',
      words: 'Limiter strap out by one hole, last.',
      why: 'The front arm then holds the nose up; the machine turns later.',
      until: 'they lift; more than two holes and look elsewhere',
    },
  ],
};

/** The rungs of a wish, in the order to try them. */
function ladderFor(wish: Wish): readonly Rung[] {
  return ladders[wish];
}

/** A step that was tried and how it felt, as kept in a note: "balance more blocks: better". */
export interface TriedStep {
  wish: Wish;
  rung: string;
  felt: 'better' | 'no better' | 'worse';
}

const PATTERN = /^balance (more|less) (start|blocks|preload|strap): (better|no better|worse)$/;

/** Writes a step as the words of a note. */
export function stepNote({ wish, rung, felt }: TriedStep): string {
  return `balance ${wish} ${rung}: ${felt}`;
}

/** Reads a note; null where it is about something else. */
export function readStep(note: string): TriedStep | null {
  const found = PATTERN.exec(note);
  if (!found) return null;
  return { wish: found[1] as Wish, rung: found[2] ?? '', felt: found[3] as TriedStep['felt'] };
}

/**
 * What comes next: the rung after the last that did not help; the same again after one that did, until its end; back a
 * step after one that made it worse. Null at the top of the ladder.
 */
export function nextRung(
  wish: Wish,
  tried: readonly TriedStep[],
): { rung: Rung; again: boolean; back: boolean } | null {
  const rungs = ladderFor(wish);
  const last = tried.filter((one) => one.wish === wish).at(-1);
  const at = last ? rungs.findIndex(({ id }) => id === last.rung) : -1;
  const here = rungs[at];
  if (last?.felt === 'better' && here && here.id !== 'start') return { rung: here, again: true, back: false };
  const next = rungs[at + 1];
  return next ? { rung: next, again: false, back: last?.felt === 'worse' } : null;
}
