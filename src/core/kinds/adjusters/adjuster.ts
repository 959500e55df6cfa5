import type { Footing } from '../../geometry/reference.ts';
import type { Axle } from '../corners.ts';
import type { AdjusterCaution } from '../seeTo.ts';

/** How an adjuster goes from where it stands. */
export type Going =
  /** Wound on a thread: any part of a turn, to a reading of its collar. */
  | { by: 'thread' }
  /** In steps of a height that somebody gives, along the damper or as more and fewer of something. */
  | { by: 'steps'; step: { one: string; many: string }; counted: 'towards the spring' | 'more or fewer' }
  /** From one numbered position to another. */
  | { by: 'positions' }
  /** By gauge pressure. */
  | { by: 'pressure' }
  | { by: 'nothing' };

/** Parts of a corner's description that only some adjusters have. */
type AdjusterPart = 'torsion' | 'air';

/** Everything the product knows of one kind of adjuster: what a corner's seat is moved by. */
export interface Adjuster {
  title: string;
  /** What moving it does, in one line. */
  does: string;
  /** Where it is met; of a machine on two wheels, perhaps at one end only. */
  on: readonly Footing[];
  bikeEnd?: Axle;
  goes: Going;
  /** What it has in place of coils: blank when it is picked, and usual figures are assumed until somebody gives them. */
  brings: AdjusterPart | null;
  /** What else is screwed or slid to set height alone. */
  beside: 'lower mount' | 'tubes in clamps' | null;
  /** A spring of its own ratio: apart from the damper, asked for; or known by where it sits. */
  springRatio: 'as the damper' | 'asked' | number;
  /** What its collar is read from, where that goes without saying. */
  datum: string;
  /** Where work on it can hurt somebody. */
  cautions: readonly AdjusterCaution[];
  /** Whether it is wound or set along the damper's own body, so that its way there can be said: up it or down it. */
  onDamper: boolean;
  /** Whether it sits in a fork leg, so that preload goes in at its cap. */
  inFork: boolean;
}

/** What most adjusters have in common: a coil on the damper, with nothing beside it. */
export const plain = {
  brings: null,
  beside: null,
  springRatio: 'as the damper',
  datum: '',
  inFork: false,
  onDamper: false,
  cautions: [],
} as const satisfies Partial<Adjuster>;

export const everywhere: readonly Footing[] = ['wheels', 'sleds', 'bikes'];
