import type { Rung, Wish } from '#core/judgement/balance.ts';

interface RungWords {
  words: string;
  why: string;
  /** When to go no further on this rung. */
  until: string;
}

/** What to move for more ski pressure, or less, what to feel for, and what it costs. */
export const rungWords: Record<Wish, Record<Rung, RungWords>> = {
  more: {
    start: {
      words: 'Front arm: no free wobble by hand, then sag as read.',
      why: 'A loose front-arm spring lets the nose drop in and out: nothing above can be felt.',
      until: 'it is snug',
    },
    blocks: {
      words: 'Transfer blocks up one position, both sides alike.',
      why: 'Under power less weight goes to the rear, and more stays on the skis.',
      until: 'the skis bite, or the blocks are at their highest',
    },
    preload: {
      words: 'Ski preload up, within its sag window.',
      why: 'The skis carry more at all times.',
      until: 'they bite, or static sag reaches the least of its window',
    },
    strap: {
      words: 'Limiter strap in by one hole, last.',
      why: 'It holds the nose down under power, and costs travel of the skid’s front arm.',
      until: 'they bite; more than two holes and look elsewhere',
    },
  },
  less: {
    start: {
      words: 'Front arm: no free wobble by hand, then sag as read.',
      why: 'A loose front-arm spring lets the nose drop in and out: nothing above can be felt.',
      until: 'it is snug',
    },
    blocks: {
      words: 'Transfer blocks down one position, both sides alike.',
      why: 'Under power more weight goes to the rear, and the skis come up.',
      until: 'the skis lift easily, or the blocks are at their lowest',
    },
    preload: {
      words: 'Ski preload down, within its sag window.',
      why: 'The skis carry less at all times.',
      until: 'they lift, or static sag reaches the most of its window',
    },
    strap: {
      words: 'Limiter strap out by one hole, last.',
      why: 'The front arm then holds the nose up; the machine turns later.',
      until: 'they lift; more than two holes and look elsewhere',
    },
  },
};
