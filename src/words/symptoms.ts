import type { SymptomId } from '#core/kinds/seeTo.ts';

/** One thing to try, why, and what it costs. */
interface Suggestion {
  words: string;
  why: string;
}

export interface SymptomWords {
  words: string;
  /** In the order to try them: one at a time, and back again when it did not help. */
  try: readonly Suggestion[];
}

/** What riders and drivers say, and the ladder for it; lengths to be filled in. */
export const symptomWords: Record<SymptomId, SymptomWords> = {
  bottoms: {
    words: 'bottoms hard and often',
    try: [
      {
        words: 'Compression damping two clicks firmer.',
        why: 'With the sag right, bottoming is a matter of damping, ring or stop, not of preload.',
      },
      {
        words: 'Crossover ring {10} nearer, where there is one.',
        why: 'The final rate comes earlier; it rides firmer there.',
      },
      { words: 'A longer or firmer bump stop.', why: 'Touching it on the biggest hit only is right.' },
      {
        words: 'A stiffer spring, if the sag is at the deep end of its window with the adjuster well up.',
        why: 'Then it is the rate that is missing.',
      },
    ],
  },
  harsh: {
    words: 'harsh over small bumps',
    try: [
      {
        words: 'Compression damping two clicks softer.',
        why: 'It is the first thing that small bumps feel.',
      },
      {
        words: 'Look whether it rides on its stop or its ring at ride height.',
        why: 'A gap that is too small makes the final rate the only rate.',
      },
      { words: 'Less preload, if the sag is under its window.', why: 'A topped-out spring knocks.' },
    ],
  },
  kicks: {
    words: 'kicks back, leaves the ground after bumps',
    try: [
      { words: 'Rebound damping two clicks slower.', why: 'It returns faster than the ground falls away.' },
      {
        words: 'Look at the preload: much of it for a soft spring pushes as hard.',
        why: 'Then a stiffer spring with less preload is the cure.',
      },
    ],
  },
  packs: {
    words: 'sinks lower over a row of bumps',
    try: [
      {
        words: 'Rebound damping two clicks faster.',
        why: 'It has not come back before the next bump: it packs down.',
      },
      {
        words: 'Compression damping a click firmer if it goes on.',
        why: 'It then gives less to begin with.',
      },
    ],
  },
  rolls: {
    words: 'rolls or sways',
    try: [
      {
        words: 'Rebound damping two clicks slower, both ends alike.',
        why: 'It settles sooner after each turn.',
      },
      {
        words: 'Compression damping two clicks firmer at the end that dives.',
        why: 'It holds the body up while it is loaded.',
      },
      { words: 'Stiffer springs, or a bar, once damping is at its end.', why: 'Roll is a matter of rate.' },
    ],
  },
};
