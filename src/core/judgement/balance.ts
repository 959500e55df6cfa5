/**
 * What a sled is wished to do otherwise, and for each what is changed, one at a time, in this order: what costs nothing first,
 * what costs travel or money last.
 */
export const ladders = {
  more: ['start', 'blocks-up', 'rear-preload-up', 'strap-in'],
  less: ['start', 'blocks-down', 'rear-preload-down', 'strap-out'],
  darting: ['runners', 'blocks-down', 'strap-out', 'ski-more'],
  diving: ['ski-more', 'strap-out', 'ski-compression', 'ski-spring'],
  'gives-out': ['skis-alike', 'ski-more', 'ski-hole', 'ski-spring'],
  roll: ['ski-more', 'bar', 'ski-hole', 'ski-spring'],
  'inside-lift': ['blocks-down', 'ski-more', 'bar', 'front-arm-softer'],
} as const;

export type Wish = keyof typeof ladders;
export type Rung = (typeof ladders)[Wish][number];

const feels = ['better', 'no better', 'worse', 'right'] as const;
export type Felt = (typeof feels)[number];

/** A step that was tried and how it felt, as kept in a note: "balance more blocks-up: better". */
export interface TriedStep {
  wish: Wish;
  rung: string;
  felt: Felt;
}

const PATTERN = new RegExp(`^balance ([a-z-]+) ([a-z-]+): (${feels.join('|')})$`);

/** Writes a step as the words of a note. */
export function stepNote({ wish, rung, felt }: TriedStep): string {
  return `balance ${wish} ${rung}: ${felt}`;
}

/** Reads a note; null where it is about something else. */
export function readStep(note: string): TriedStep | null {
  const found = PATTERN.exec(note);
  const [, wish = '', rung = '', felt = ''] = found ?? [];
  return wish in ladders ? { wish: wish as Wish, rung, felt: felt as Felt } : null;
}

/** Rungs that are looked at or set right once: there is nothing to do again, nor to put back. */
const once: readonly Rung[] = ['start', 'runners', 'skis-alike'];

/** Where a ladder stands: the step to take now, what is to be put back before it, or that it is over. */
export type LadderStands =
  | { at: 'step'; rung: Rung; again: boolean; back: Rung | null }
  | { at: 'right' }
  | { at: 'end'; back: Rung | null };

/**
 * What comes next. One that helped comes again; after one that did not, it is put back and the rung above it comes; once it is
 * right nothing more is changed.
 */
export function nextRung(wish: Wish, tried: readonly TriedStep[]): LadderStands {
  const rungs: readonly Rung[] = ladders[wish];
  const last = tried.filter((one) => one.wish === wish).at(-1);
  if (last?.felt === 'right') return { at: 'right' };
  const at = last ? rungs.findIndex((rung) => rung === last.rung) : -1;
  const here = rungs[at];
  const isOnce = here === undefined || once.includes(here);
  if (last?.felt === 'better' && here && !isOnce) return { at: 'step', rung: here, again: true, back: null };
  const back = here && !isOnce && last?.felt !== 'better' ? here : null;
  const next = rungs[at + 1];
  return next ? { at: 'step', rung: next, again: false, back } : { at: 'end', back };
}
