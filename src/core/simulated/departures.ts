import type { BarDescription, MachineDescription } from '../machine/description.ts';

/**
 * What a real machine has that its description does not: each is nothing where it is zero. None has the shape of what the
 * fit looks for, so that nothing which is taken for granted there is exactly true here.
 */
export interface ContactDepartures {
  /** Share by which damper and spring go further for the wheel's way than described. */
  ratioBy: number;
  /** mm by which the way of damper and spring bends off its map: one whole sine over the travel. */
  bendMm: number;
  /** Share by which the springs push harder than marked. */
  springBy: number;
  /** Share by which they grow stiffer over each 100 mm. */
  springGrows: number;
  /** Share by which the tyre is stiffer than usual, and by which it grows stiffer over each 10 mm. */
  tyreBy: number;
  tyreGrows: number;
  /** How much further out the tyre reaches than told, mm: the floor is not higher for it. */
  tyreRadiusMm: number;
  /** How much higher the floor is under this wheel, mm. */
  floorMm: number;
  /** mm of preload beyond what was told. */
  preloadByMm: number;
  /** A rubber bush tightened elsewhere: N for each mm from the travel where it rests. */
  bushNPerMm: number;
  bushAtMm: number;
  /** Most that friction holds, N at the wheel. */
  frictionN: number;
  /** mm that the spring will lose along itself, and the km in which half of it goes. */
  lossMm: number;
  lossKm: number;
}

/** Departures of a whole machine. */
export interface Departures {
  contacts: readonly ContactDepartures[];
  /** Share by which each mass is heavier than told. */
  massesBy: readonly number[];
  /** N that twist the body by 1 mm at its four corners; null where nothing twists it. */
  twistNPerMm: number | null;
  /** Bars that are on though nobody said so. */
  bars: readonly BarDescription[];
}

/** A machine just as it is described. */
export const noContactDepartures: ContactDepartures = {
  ratioBy: 0,
  bendMm: 0,
  springBy: 0,
  springGrows: 0,
  tyreBy: 0,
  tyreGrows: 0,
  tyreRadiusMm: 0,
  floorMm: 0,
  preloadByMm: 0,
  bushNPerMm: 0,
  bushAtMm: 0,
  frictionN: 0,
  lossMm: 0,
  lossKm: 1,
};

/** The departures of a machine that has none. */
export function noDepartures({ contacts, masses }: MachineDescription): Departures {
  return {
    contacts: contacts.map(() => noContactDepartures),
    massesBy: masses.map(() => 0),
    twistNPerMm: null,
    bars: [],
  };
}
