import type { Footing } from '../geometry/reference.ts';
import { cornersIn, footingOf } from '../kinds/classes/index.ts';
import { twinOf } from '../kinds/corners.ts';
import type { JobDocument } from './types.ts';

/** Something to see to, with its reason and what leaving it out costs. */
export interface Check {
  id: string;
  words: string;
  why: string;
  cost: string;
  on: readonly Footing[];
  /** By how much readings are blurred where it was skipped: times the usual friction. */
  blurs: number;
}

const everywhere: readonly Footing[] = ['wheels', 'sleds', 'bikes'];

const prepChecks: readonly Check[] = [
  {
    id: 'pressures',
    words: 'Tyre pressures set, and alike across each axle.',
    why: 'A soft tyre lowers its corner, and every height from the ground with it.',
    cost: 'heights from the ground may be several millimetres off',
    on: ['wheels', 'bikes'],
    blurs: 1.3,
  },
  {
    id: 'floor',
    words: 'Level floor; turntables, pads or skates under what steers.',
    why: 'On an uneven floor the tape reads the floor.',
    cost: 'left and right cannot be told from the floor',
    on: everywhere,
    blurs: 1.3,
  },
  {
    id: 'load',
    words: 'On board what the job says: fuel, driver or ballast, kit, street clothes or full gear.',
    why: 'A reading counts for the load it was taken with.',
    cost: 'the plan lands for a load nobody carries',
    on: everywhere,
    blurs: 1.15,
  },
  {
    id: 'bars',
    words: 'Anti-roll bar links off.',
    why: 'A hooked bar swallows left and right corrections and holds a false height.',
    cost: 'differences between left and right come out too small',
    on: ['wheels'],
    blurs: 1.4,
  },
  {
    id: 'bushes',
    words: 'Rubber bushes loosened.',
    why: 'Clamped at another height they twist and carry weight.',
    cost: 'heights creep by some millimetres once they are loosened or driven',
    on: ['wheels'],
    blurs: 1.3,
  },
  {
    id: 'track',
    words: 'Track free: off the floor once, slack right, nothing frozen in the skid.',
    why: 'A track under tension holds the skid down.',
    cost: 'sag at the rear reads too large',
    on: ['sleds'],
    blurs: 1.3,
  },
  {
    id: 'straight',
    words: 'Machine held upright, chain or belt at its slack, forks not twisted in the clamps.',
    why: 'A twisted fork or a tight chain binds.',
    cost: 'the band between press and lift grows',
    on: ['bikes'],
    blurs: 1.3,
  },
  {
    id: 'damping',
    words: 'Switchable damping on soft.',
    why: 'It comes to rest sooner and nearer to where it should.',
    cost: 'it needs longer to settle',
    on: everywhere,
    blurs: 1.1,
  },
  {
    id: 'gas',
    words: 'Gas charge checked where it can be.',
    why: 'A charged single tube lifts a light machine by some millimetres.',
    cost: 'a lost charge shows as a tired spring',
    on: everywhere,
    blurs: 1.1,
  },
];

const closeChecks: readonly Omit<Check, 'blurs' | 'cost'>[] = [
  { id: 'locked', words: 'Every lock ring, nut and cap tight.', why: 'Rings walk when they are only snug.', on: everywhere },
  { id: 'bushes', words: 'Bushes tightened at this height.', why: 'Tightened hanging they twist at every metre.', on: ['wheels'] },
  { id: 'links', words: 'Bar links refitted without preload in the bar.', why: 'A preloaded bar is cross weight by another name.', on: ['wheels'] },
  { id: 'clear', words: 'Clearances looked at: tyre to arch, coil to arm, boots, lines, axle to frame.', why: 'They are found after reassembly otherwise.', on: everywhere },
  { id: 'travel', words: 'Cycled through full travel, turned lock to lock.', why: 'What touches, touches at the ends.', on: everywhere },
  { id: 'strap', words: 'Limiter strap and transfer blocks alike on both sides.', why: 'One side alone twists the skid.', on: ['sleds'] },
  { id: 'lamps', words: 'Headlamps set.', why: 'They follow the rake.', on: ['wheels', 'bikes'] },
  { id: 'gas', words: 'Nitrogen charge noted.', why: 'So that a loss can be told from a tired spring.', on: everywhere },
  { id: 'alignment', words: 'Alignment done, or booked before the road.', why: 'Every change of height moves toe and camber.', on: ['wheels', 'sleds'] },
]; // prettier-ignore

/** What to see to before anything is measured, for this machine. */
export function prepFor(document: JobDocument): Check[] {
  return prepChecks.filter(({ on }) => on.includes(footingOf(document.machine.class)));
}

/** What to see to before it goes out, for this machine. */
export function closeFor(document: JobDocument): Omit<Check, 'blurs' | 'cost'>[] {
  return closeChecks.filter(({ on }) => on.includes(footingOf(document.machine.class)));
}

/** Times the usual friction that readings are blurred by what was skipped. */
export function blurOf(document: JobDocument, skipped: readonly string[]): number {
  return prepFor(document).reduce((blur, { id, blurs }) => (skipped.includes(id) ? blur * blurs : blur), 1);
}

/** Tyre pressures of an axle that differ by more than a twentieth, which can roll a machine over by itself. */
export function unequalPressures(
  document: JobDocument,
  bars: Partial<Record<string, number>>,
): { left: string; right: string; differenceBar: number }[] {
  return cornersIn(document).flatMap((left) => {
    const right = twinOf(left);
    const [a, b] = [bars[left], right ? bars[right] : undefined];
    if (!right || !left.startsWith('L') || a === undefined || b === undefined) return [];
    const differenceBar = Math.abs(a - b);
    return differenceBar > 0.05 * Math.max(a, b) ? [{ left, right, differenceBar }] : [];
  });
}
