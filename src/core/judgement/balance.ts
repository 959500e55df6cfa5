/** One rung of the sled's balance ladder: what is moved. */
const rungs = ['start', 'blocks', 'preload', 'strap'] as const;
export type Rung = (typeof rungs)[number];

export type Wish = 'more' | 'less';

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
 * What comes next for more ski pressure, or less. Blocks come first, since they cost nothing; then preload within the sag window;
 * the limiter strap last, since it takes travel from the skid's front arm. After a rung that did not help comes the one above it;
 * one that helped comes again; one that made it worse is put back first. Null at the top of the ladder.
 */
export function nextRung(
  wish: Wish,
  tried: readonly TriedStep[],
): { rung: Rung; again: boolean; back: boolean } | null {
  const last = tried.filter((one) => one.wish === wish).at(-1);
  const at = last ? rungs.findIndex((rung) => rung === last.rung) : -1;
  const here = rungs[at];
  if (last?.felt === 'better' && here && here !== 'start') return { rung: here, again: true, back: false };
  const next = rungs[at + 1];
  return next ? { rung: next, again: false, back: last?.felt === 'worse' } : null;
}
