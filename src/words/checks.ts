import type { Footing } from '#core/geometry/reference.ts';
import { footingOf } from '#core/kinds/classes/index.ts';
import { closeFor, prepFor } from '#core/document/checks.ts';
import type { CloseId, PrepId } from '#core/kinds/seeTo.ts';
import type { JobDocument } from '#core/document/types.ts';

/** Before anything is measured: what to see to, why, and what leaving it out costs. */
const prepWords: Record<PrepId, { words: string; why: string; cost: string }> = {
  pressures: {
    words: 'Tyre pressures set, and alike across each axle.',
    why: 'A soft tyre lowers its corner, and every height from the ground with it.',
    cost: 'heights from the ground may be several millimetres off',
  },
  floor: {
    words: 'Level floor; turntables, pads or skates under what steers.',
    why: 'On an uneven floor the tape reads the floor.',
    cost: 'left and right cannot be told from the floor',
  },
  load: {
    words: 'On board what the job says: fuel, driver or ballast, kit, street clothes or full gear.',
    why: 'A reading counts for the load it was taken with.',
    cost: 'the plan is right for a load nobody carries',
  },
  bars: {
    words: 'Anti-roll bar links off.',
    why: 'A hooked bar swallows left and right corrections and holds a false height.',
    cost: 'differences between left and right come out too small',
  },
  bushes: {
    words: 'Rubber bushes loosened.',
    why: 'Clamped at another height they twist and carry weight.',
    cost: 'heights creep by some millimetres once they are loosened or driven',
  },
  track: {
    words: 'Track free: off the floor once, slack right, nothing frozen in the skid.',
    why: 'A tight or stiff track holds the rear up.',
    cost: 'sag at the rear reads too small',
  },
  straight: {
    words: 'Machine held upright, chain or belt at its slack, forks not twisted in the clamps.',
    why: 'A twisted fork or a tight chain binds.',
    cost: 'the band between press and lift grows',
  },
  damping: {
    words: 'Switchable damping on soft.',
    why: 'It comes to rest sooner and nearer to where it should.',
    cost: 'it needs longer to settle',
  },
  gas: {
    words: 'Gas charge checked where it can be.',
    why: 'A charged single tube lifts a light machine by some millimetres.',
    cost: 'a lost charge shows as a tired spring',
  },
};

/** Before it goes out. */
const closeWords: Record<CloseId, { words: string; why: string }> = {
  locked: { words: 'Every lock ring, nut and cap tight.', why: 'Rings walk when they are only snug.' },
  coils: {
    words: 'Springs stand straight: none bows or rubs.',
    why: 'Turn one that bows until the ends of its coils lie opposite those of the next.',
  },
  bushes: { words: 'Bushes tightened at this height.', why: 'Tightened hanging they twist at every metre.' },
  links: {
    words: 'Bar links refitted without preload in the bar.',
    why: 'A preloaded bar is cross weight by another name.',
  },
  clear: {
    words: 'Clearances looked at.',
    why: 'They are found after reassembly otherwise.',
  },
  travel: {
    words: 'Cycled through full travel, turned lock to lock.',
    why: 'What touches, touches at the ends.',
  },
  strap: {
    words: 'Limiter strap and transfer blocks alike on both sides.',
    why: 'One side alone twists the skid.',
  },
  lamps: { words: 'Headlamps set.', why: 'They follow the rake.' },
  gas: { words: 'Nitrogen charge noted.', why: 'So that a loss can be told from a tired spring.' },
  chain: {
    words: 'Chain or belt slack set again, at its tightest place.',
    why: 'Another height moves the axle about its pivot.',
  },
  stand: {
    words: 'It leans on its stand as before, and stands safe.',
    why: 'Lower, the stand is too long. Higher, it is too short.',
  },
  alignment: {
    words: 'Alignment done, or booked before the road.',
    why: 'Every change of height moves toe and camber.',
  },
};

/** What to see to before anything is measured, for this machine, in words. */
export function prepList(document: JobDocument) {
  return prepFor(document).map((id) => ({ id, ...prepWords[id] }));
}

/** What comes near something else, by what a machine stands on. */
const nearest: Record<Footing, string> = {
  wheels: 'tyre to arch, coil to arm, boots, lines, axle to frame',
  sleds: 'track to tunnel, arm to hood, coil to arm, lines',
  bikes: 'tyre to fender, tyre to pipe, lines',
};

/** What to see to before it goes out, for this machine, in words. */
export function closeList(document: JobDocument) {
  const near = nearest[footingOf(document.machine.class)];
  return closeFor(document).map((id) => {
    const { words, why } = closeWords[id];
    return { id, words: id === 'clear' ? `Clearances looked at: ${near}.` : words, why };
  });
}
