import { tolerances } from '../tolerances.ts';
import type { RatioRange } from '../kinds/suspensionTypes.ts';

/**
 * How well things are known before anything is read: one table for the page and every command. Standard deviations; of
 * ratios and rates those of the natural logarithm, so that 0.05 is five percent.
 */
export const priors = {
  /** A ratio taken off this machine: wheel travel and damper travel between standing and hanging. */
  measuredRatio: 0.03,
  /** Two lengths measured on the arm, or a linkage's geometry. */
  armRatio: 0.05,
  /** A ratio somebody names, as "2:1": said and printed ratios are off by up to 15 %. */
  statedRatio: 0.09,
  /** What machines outside the usual range of their suspension add to it. */
  beyondRange: 0.05,
  /** The same where a ratio is drawn from its range: between two ranges that do not meet there are few machines. */
  drawnBeyond: 0.03,
  /** A ratio of which not even the suspension is known is known no better than this. */
  leastUnknown: 0.2,
  /** Left and right of an axle are made alike to about this. */
  twinRatio: 0.02,
  /** Growth of a ratio over the travel beyond what is described, as a share: said to be constant, it may still grow. */
  rise: { mean: 0, sd: 0.04 },
  /** The same where nobody has said anything of any ratio: most suspensions grow stiffer, by a tenth or so at most. */
  unknownRise: { mean: 0.05, sd: 0.045 },
  /** Springs are made to 5 % at most. */
  spring: 0.03,
  /** Springs nobody has named, taken to carry the load at the class's ride height: alike on an axle, else anything. */
  unknownSpring: { axle: 0.5, own: 0.1 },
  /** A bar of which only is known that it is there: of its rate's logarithm. */
  unknownBar: 0.7,
  /** bar by which an air spring of unknown pressure, volume or piston may push like another. */
  unknownAirBar: 1,
  /**
   * Log of what a step does over what usual figures make of it: a cam's position, and pressure in a chamber nobody measured.
   * Chosen so that what is seen lies within, not measured.
   */
  unknownStep: { positions: { mean: 0, sd: 0.4 }, pressure: { mean: -0.4, sd: 0.7 } },
  /** mm that friction leaves at the wheel, settled: at least so much, and a share of the travel; it is learnt from the readings. */
  friction: { leastMm: 1.3, perTravel: 0.005 },
  /**
   * The same as it mostly is on long travels: what a chance is told by. The wider one stands where readings are held against
   * the machine, so that friction is not taken for a fault.
   */
  usualFriction: { leastMm: 1.3, perTravel: 0.0028 },
} as const;

/**
 * Spread of the logarithm of a ratio of which only its range is known. A normal distribution that is as dense in the middle
 * as a flat one over ln(high / low) has sd = ln(high / low) / sqrt(2 pi); machines outside the usual add in quadrature.
 */
export function rangeSd([low, high]: RatioRange, known: boolean): number {
  const sd = Math.hypot(Math.log(high / low) / Math.sqrt(2 * Math.PI), priors.beyondRange);
  return known ? sd : Math.max(sd, priors.leastUnknown);
}

/** mm that friction leaves at a wheel of so much travel, one standard deviation, before any reading. */
export function frictionPrior(travelMm: number, { leastMm, perTravel }: Friction = priors.friction): number {
  return Math.hypot(leastMm, perTravel * travelMm);
}

interface Friction {
  leastMm: number;
  perTravel: number;
}

/** Share of the spread of a settled reading, friction and tape together, that is left with the usual friction. */
export function usualShare(travelMm: number): number {
  const spread = (friction: Friction) => Math.hypot(frictionPrior(travelMm, friction), tolerances.tapeSdMm);
  return spread(priors.usualFriction) / spread(priors.friction);
}
