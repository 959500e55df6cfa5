import type { HiddenFault, PracticeLevel, PracticeWay, RiseParts } from '#core/practiceKinds.ts';

/** What each level is called, and what is hidden at it. */
export const levelWords: Record<PracticeLevel, { title: string; words: string }> = {
  'first-day': { title: 'First day', words: 'Every corner off the same way. The sheet gives the ratio.' },
  'second-week': { title: 'Second week', words: 'Corners off either way. The sheet says how it is hung.' },
  'on-your-own': {
    title: 'On your own',
    words: 'New springs that will lose height, and a floor that is not quite level.',
  },
  hard: { title: 'Hard', words: 'Nothing on the sheet, and one thing wrong that nobody speaks of.' },
  nasty: { title: 'Nasty', words: 'Two things wrong, and friction that hides them.' },
};

/** How a try is gone about. */
export const wayWords: Record<PracticeWay, { title: string; words: string }> = {
  own: { title: 'By your own judgement', words: 'A notebook and your instruments. Nothing is advised.' },
  plan: { title: 'With the plan', words: 'The same machine as it came in, on the pages of a job.' },
};

/** What was wrong and nobody said, and how it could have been seen. */
export const faultWords: Record<HiddenFault, { what: string; seen: string }> = {
  'odd-spring': {
    what: 'the spring is not the one on the other side',
    seen: 'Its corner needs another collar reading than the one across for the same height.',
  },
  'hooked-bar': {
    what: 'the anti-roll bar was still on',
    seen: 'One side answers less than it should, and the other side moves along. Unhook it before heights are read.',
  },
  'wrong-tyre': {
    what: 'one tyre is of another size',
    seen: 'Heights from the ground and heights from the hub disagree there. Measure the tyres first.',
  },
  'stiff-bush': {
    what: 'a rubber bush was tightened with the wheel hanging',
    seen: 'The corner stands high and answers less. Loosen bushes before reading, tighten them at ride height.',
  },
  'misread-point': {
    what: 'the cap does not sit in the middle of the wheel',
    seen: 'Whoever held the tape to the cap read all heights there wrong by as much. Hold it to the axle’s nut.',
  },
};

/** Why a corner rose as it did. */
export const partWords: Record<keyof RiseParts, string> = {
  ownMm: 'its own seat',
  othersMm: 'the other seats, through the body',
  lostMm: 'what springs lost on the road',
  loosedMm: 'bars and bushes that were let go',
  frictionMm: 'friction, before and after',
  tapeMm: 'the tape and the hand that held it',
};

/** What each instrument is, what it shows, and where it is held. */
export const instrumentWords = {
  tape: { title: 'Tape', unit: 'mm', decimals: 0, how: '' },
  caliper: { title: 'Caliper', unit: 'mm', decimals: 2, how: 'From the edge to the collar.' },
  pad: { title: 'Pad', unit: 'kg', decimals: 1, how: 'The wheel stands on it; the others stand as high.' },
  travel: { title: 'Travel gauge', unit: 'mm', decimals: 1, how: 'Travel used from full droop.' },
  pressure: { title: 'Tyre gauge', unit: 'bar', decimals: 2, how: 'On the valve, cold.' },
  level: {
    title: 'Level',
    unit: 'mm',
    decimals: 1,
    how: 'How much higher the floor is here than under the first wheel.',
  },
  toe: {
    title: 'Toe plates',
    unit: 'mm',
    decimals: 1,
    how: 'Rear less front, across the tyres of this axle: toe-in is positive.',
  },
} as const;

/** What may be let go before heights are read. */
export const prepWords = { bars: 'Bars unhooked', bushes: 'Bushes loosened' } as const;
