import type { Footing, ReferenceKind } from '../../geometry/reference.ts';
import type { SuspensionRanges } from '../suspensionTypes.ts';
import type { CollarPlace } from '../collarPlace.ts';
import type { Axle, CornerId } from '../corners.ts';
import type { SeeTo } from '../seeTo.ts';

/** Everything the product knows of one class of machine. Figures are middle-of-the-road ones for the kind, always marked as assumed. */
export interface Machine extends SeeTo {
  title: string;
  footing: Footing;
  /** Where it stands on its springs, in measuring order. */
  corners: readonly CornerId[];
  wheelbaseMm: number;
  trackMm: Record<Axle, number>;
  pitchMm: number;
  /** Wheel travel from full droop to metal. */
  travelMm: Record<Axle, number>;
  /** Share of the wheel travel used at rest. */
  restShare: number;
  /** Wheel travel left at which the bump stop is first touched. */
  stopMm: number;
  /** What is near enough while nobody has said: close, whatever its makers allow. What they allow is chosen, not assumed. */
  toleranceMm: number;
  /** Whole machine, and the share of it on the front axle. */
  massKg: number;
  frontShare: number;
  tyreRateNPerMm: number;
  /** One wheel with its brake and half its arms. */
  unsprungKg: number;
  referenceKind: Record<Axle, ReferenceKind>;
  /** How its axles may be hung, with damper travel per wheel travel. Source: what is usual in the trade. */
  suspensions: Record<Axle, SuspensionRanges>;
  /** Where the collar of a damper usually sits. */
  collarAt: Record<Axle, CollarPlace>;
  /** What one corner rises by beside what its axle's ratio says, as a share, where nobody has said how it is hung. */
  ownRise: number;
  /** Who sits on it: share of a rider's weight on the rear, in riding posture. Null where it is not set up by riders and sag. */
  rider: { rearShare: number } | null;
  /** Meant for rough ground: between two springs the firmer is then the one to take. */
  rough: boolean;
  /** Whether its dampers usually have two springs, with a ring between. */
  ringsUsual: boolean;
  /** Habits of setting sag that are met on it, the usual one first. */
  sagHabits: readonly string[];
  /** The axle whose sag is read at the damper's shaft, machine alone; null where none is. */
  sagAtShaft: Axle | null;
}
