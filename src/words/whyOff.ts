import type { Cause, Explains } from '#core/judgement/whyOff.ts';
import type { Say } from './figures.ts';

interface Told {
  title: string;
  /** How to tell whether it is this. */
  look: string;
}

/** What may hold one corner off, and how to tell. */
export const causeWords: Record<Cause, Told> = {
  misread: {
    title: 'Read at another point, or misread',
    look: 'Roll it, and measure this corner and the one across again at the same point.',
  },
  targets: {
    title: 'The four targets do not lie in one plane',
    look: 'Compare left with right, front with rear: a body cannot be twisted to meet them.',
  },
  floor: {
    title: 'The floor under this wheel',
    look: 'Lay a level across the wheels, or turn the machine round on the spot and measure again.',
  },
  tyre: {
    title: 'A soft tyre, or another size',
    look: 'Read the pressure. Compare its size and wear with the tyre across.',
  },
  load: {
    title: 'Something heavy over this corner',
    look: 'Look in the boot, under the seats and in the tank: what lies over this wheel alone?',
  },
  bar: {
    title: 'A bar link that pulls',
    look: 'Undo one link of the anti-roll bar, roll it, and measure again.',
  },
  seated: {
    title: 'The spring or its perch is not in its seat',
    look: 'Look at both ends: is the end of the wire in its step, the perch on its ring, the rubber flat?',
  },
  'upside-down': {
    title: 'The spring is upside down',
    look: 'Compare it with the one across: narrow coils and numbers stand the same way up.',
  },
  'wrong-end': {
    title: 'A spring of the other end or side',
    look: 'Read the numbers on both springs: left and right, front and rear can be swapped.',
  },
  worn: {
    title: 'A worn or broken spring',
    look: 'Look for a broken end coil. Compare the free lengths once they are out.',
  },
  gas: {
    title: 'A damper without its gas, or with too much',
    look: 'Push each damper in by hand: the one across should push back alike.',
  },
  bush: {
    title: 'A bush tightened with the wheel hanging',
    look: 'Loosen the arm bolts, roll it, tighten them as it stands, and measure again.',
  },
};

/** What a thing comes to here: "7 mm of spring would do it". */
export function explainsWords(
  cause: Cause,
  explains: Explains,
  say: Say,
  kgSay: (kg: number) => string,
): string {
  if (explains.by === 'any') return cause === 'misread' ? 'any amount' : 'how much cannot be told';
  if (explains.by === 'gives') {
    const mm = say(Math.abs(explains.mm));
    const way = explains.mm < 0 ? 'lowers' : 'raises';
    if (cause === 'targets') return `${mm} of it is in the targets`;
    return `${way} it by about ${mm} here`;
  }
  const amount = explains.unit === 'kg' ? kgSay(Math.abs(explains.amount)) : say(Math.abs(explains.amount));
  const more = explains.amount > 0;
  switch (cause) {
    case 'floor':
      return `it would have to lie ${amount} ${more ? 'higher' : 'lower'} here`;
    case 'load':
      return more ? `${amount} there would do it` : `${amount} less would do it`;
    case 'bar':
      return `its link would have to be ${amount} off`;
    case 'worn':
      return `it would have lost ${amount} of length`;
    case 'wrong-end':
      return `it would be ${amount} ${more ? 'longer' : 'shorter'}`;
    default:
      return `${amount} ${more ? 'too high' : 'too low'} would do it`;
  }
}
