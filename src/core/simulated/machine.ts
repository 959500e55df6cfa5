import type { MachineDescription } from '../machine/description.ts';
import type { Departures } from './departures.ts';
import { rest } from './rest.ts';

/** A machine whose truth is known to the simulation alone. */
export interface SimulatedMachine {
  /** As it is with every seat where the targets are met. */
  machine: MachineDescription;
  departures: Departures;
  /** One reference a corner. */
  references: readonly SimulatedReference[];
}

export interface SimulatedReference {
  /** Whether it loses the wheel's travel, or shows the body's own height over the floor beside the wheel. */
  follows: 'travel' | 'body';
  /** Reading with the wheel hanging, or with the body at its origin, mm. */
  constantMm: number;
}

/** What was done to it up to now. */
export interface Condition {
  /** mm of each seat towards its spring, from where the description has it. */
  seatsBy: readonly number[];
  /** Driven since the springs were new. */
  km: number;
  /** Share of its friction that holds each wheel against being pressed in, -1 to 1: 0 is frictionless. */
  held: readonly number[];
  /** What was let go before it was read: bars that nobody spoke of, bushes that were tightened elsewhere. */
  loosed: Loosed;
}

export interface Loosed {
  bars: boolean;
  bushes: boolean;
}

/** As it goes out: bars linked without load, bushes tightened where it stands. */
export const allLoosed: Loosed = { bars: true, bushes: true };

/** How it stands in a condition: the reference's height, mm, wheel travel and weight on each pad. */
export interface SimulatedStand {
  heightsMm: number[];
  travelMm: number[];
  padsN: number[];
}

/** Brings it to rest as it stands now. */
export function standOf(
  { machine, departures, references }: SimulatedMachine,
  { seatsBy, km, held, loosed }: Condition,
): SimulatedStand {
  const now = without(departures, loosed);
  const off = now.contacts;
  const felt = seatsBy.map((mm, i) => mm - lost(off[i], km));
  const heldN = held.map((share, i) => share * (off[i]?.frictionN ?? 0));
  const { travelMm, heightMm, padsN } = rest(machine, { seatsBy: felt, heldN }, now);
  return {
    travelMm,
    padsN,
    heightsMm: references.map(({ follows, constantMm }, i) =>
      follows === 'travel'
        ? constantMm - (travelMm[i] ?? 0)
        : constantMm + (heightMm[i] ?? 0) - (off[i]?.floorMm ?? 0),
    ),
  };
}

function without(departures: Departures, { bars, bushes }: Loosed): Departures {
  return {
    ...departures,
    bars: bars ? [] : departures.bars,
    contacts: bushes ? departures.contacts.map((off) => ({ ...off, bushNPerMm: 0 })) : departures.contacts,
  };
}

/** mm that a spring has lost along itself: half of all it will in `lossKm`, three quarters in three times as far. */
function lost(off: Departures['contacts'][number] | undefined, km: number): number {
  return off ? (off.lossMm * km) / (km + off.lossKm) : 0;
}

/** The same machine as it goes out, with no friction holding it: what a height truly is. */
export function trueStand(simulated: SimulatedMachine, { seatsBy, km }: Pick<Condition, 'seatsBy' | 'km'>) {
  return standOf(simulated, { seatsBy, km, held: seatsBy.map(() => 0), loosed: allLoosed });
}
