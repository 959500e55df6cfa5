import type { RatioDescription } from '../geometry/ratioMap.ts';
import type { AirDescription } from '../springs/air.ts';
import type { GasDescription } from '../springs/gas.ts';
import type { StackDescription } from '../springs/stack.ts';
import type { TorsionDescription } from '../springs/torsion.ts';
import type { Axle } from '../kinds/corners.ts';

/** What carries a contact. */
export type SpringsDescription =
  | { kind: 'stack'; stack: StackDescription }
  | { kind: 'torsion'; torsion: TorsionDescription; /** Index into its cam positions. */ cam: number }
  | { kind: 'air'; air: AirDescription };

/** Rubber or foam that is touched late in the travel. */
interface StopDescription {
  /** Damper compression at first contact, mm. */
  contactMm: number;
  /** Rows of [squeeze mm, force N], from zero, both growing. */
  rows: readonly (readonly [number, number])[];
}

/** Rubber that stops the damper from extending hard. */
export interface TopOutDescription {
  /** N/mm over the first `lengthMm` of damper travel, straight to nothing. */
  rateNPerMm: number;
  lengthMm: number;
}

/** One wheel, ski or skid arm: what is between the ground and the body there. */
export interface ContactDescription {
  name: string;
  axle: Axle;
  /** Place on the ground, mm: x forward, y left, from any one origin. */
  x: number;
  y: number;
  /** Wheel travel from full droop to metal, mm. */
  travelMm: number;
  /** Ends of the travel that nobody has measured: the wheel is not stopped there, since a guess must not stop it. */
  openEnds?: { droop: boolean; bump: boolean };
  /** Damper per wheel. */
  ratio: RatioDescription;
  /** Spring per wheel where the spring is apart from the damper; null where it is over the damper. */
  springRatio: RatioDescription | null;
  springs: SpringsDescription;
  /** Compression of the stack at full droop with the seat at zero, mm; negative is slack. Zero for air. */
  preloadMm: number;
  gas: GasDescription | null;
  stop: StopDescription | null;
  topOut: TopOutDescription | null;
  tyreRateNPerMm: number;
  unsprungKg: number;
  /** Height of what it stands on over the level, mm. */
  padMm: number;
}

/** Mass carried by the springs, at a place over the ground. */
export interface MassDescription {
  name: string;
  kg: number;
  x: number;
  y: number;
}

/** Torsion bar between two contacts: energy k (z_a - z_b - offset)^2 / 2 with their travels. */
export interface BarDescription {
  between: readonly [string, string];
  rateNPerMm: number;
  /** Difference of travel (first minus second) at which the links are free of load, mm. */
  offsetMm: number;
  hooked: boolean;
}

/** A whole machine as the engine takes it. Everything is known; where it is assumed is the caller's to remember. */
export interface MachineDescription {
  contacts: readonly ContactDescription[];
  masses: readonly MassDescription[];
  bars: readonly BarDescription[];
}
