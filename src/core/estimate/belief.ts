import type { MachineDescription } from '../machine/description.ts';

/** A quantity as normal: mean and one standard deviation. */
export interface Spread {
  mean: number;
  sd: number;
}

/** What is not known for sure of one contact. Logarithms are natural: 0.05 is five percent. */
export interface ContactBelief {
  /** Log of true over described ratio, apart from what the axle shares. */
  ratio: Spread;
  /** Log of true over described rate, by spring. */
  springs: readonly number[];
  preloadMm: number;
  tyre: number;
  /** mm of wheel travel that friction leaves, one standard deviation. */
  frictionMm: number;
}

/** What is not known for sure of a machine: standard deviations unless a mean is named. */
interface Belief {
  /** Log of true over described ratio, shared by the contacts of an axle. */
  axleRatio: { front: number; rear: number };
  /** Growth of the ratio over the travel beyond the described, as a share; by axle. */
  rise: Spread;
  /** Log of true over described rate of springs that nobody has named, shared by an axle. */
  axleSpring: { front: number; rear: number };
  contacts: readonly ContactBelief[];
  /** Share of each mass. */
  masses: readonly number[];
  /** Log of each hooked bar's rate. */
  bars: readonly number[];
  /** Log of true over described of what a step of an adjuster does, shared by the contacts named. */
  steps: readonly (Spread & { contacts: readonly number[] })[];
  /** Loss of height of new springs once settled, mm at the wheel: what all share, and each its own. */
  settling: { all: Spread; own: number };
  /** Log of the distance (km) in which two thirds of it are lost. */
  settlingKm: Spread;
}

/** How a height is taken. */
export interface Reference {
  name: string;
  /** Ground kinds follow the body; `travel` kinds lose what the wheel uses; `damper` kinds what the damper does. */
  follows: 'body' | 'travel' | 'damper';
  contact: number;
  x: number;
  y: number;
  /** Height of the reference when the body is at the origin, or at full droop. */
  constant: Spread;
  /** How far all pictures of it may be out together, mm; left out where it was read off none. */
  picturesSdMm?: number | undefined;
}

/** The state a machine is in at some moment, as far as it was set by hand. */
export interface Situation {
  /** By contact, mm from where the description's preload was taken. */
  seatsBy: readonly number[];
  mountsMm: readonly number[];
  /** By contact and ring, mm moved towards the springs; left out where no ring was ever moved. */
  ringsMm?: readonly (readonly number[])[] | undefined;
  /** Driven since the springs were new, km. */
  km: number;
  /** How many times something new was fitted since; left out for the machine as it is fitted now. */
  era?: number | undefined;
  /** mm that the floor under each contact lies higher than described; left out where it does not. */
  floorBy?: readonly number[] | undefined;
  /** On a level floor, whatever the floor under each contact is like where it was measured. */
  level?: boolean | undefined;
  /** Which masses are aboard. */
  aboard: readonly boolean[];
}

export interface BelievedMachine {
  machine: MachineDescription;
  belief: Belief;
  references: readonly Reference[];
}
