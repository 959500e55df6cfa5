import { solveSpd } from '../numerics/matrix.ts';
import type { WheelFit } from './wheelFit.ts';
import {
  AXIS_ACROSS,
  AXIS_DOWN,
  BEND,
  FOCAL,
  LEAN,
  LIP,
  OTHER,
  OTHER_OUT,
  PITCH,
  POINT,
  priors,
  RADIUS,
  ROLL,
  sceneOf,
  SIZE,
  STEPS,
  value,
  type Scene,
} from './wheelModel.ts';

/** Causes that a height is not known better, and the share of each in its variance. */
export type Cause = 'rim' | 'point' | 'diameter' | 'lipOut' | 'level' | 'lens' | 'sheet' | 'print';

/** A length on the body by the picture, with the causes of its uncertainty. */
export interface Reading {
  mm: number;
  sdMm: number;
  /** Variances by cause, mm²; they add up to that of the reading. */
  causes: Record<Cause, number>;
}

const causeOf: Record<Cause, readonly number[]> = {
  rim: [],
  point: [POINT, OTHER, OTHER_OUT],
  diameter: [RADIUS],
  lipOut: [LIP],
  level: [PITCH, ROLL, LEAN],
  lens: [FOCAL, BEND, AXIS_ACROSS, AXIS_DOWN],
  // Where the rim is the scale the printed sheet is none.
  sheet: [],
  print: [],
};

/** By how many standard deviations each place is moved that was pointed at or found: the point on the body, the other end, and how far that stands out. */
export interface Moved {
  point: number;
  other: number;
  otherOut: number;
}

/**
 * A length that follows from the scene and from places in the picture that were found with an error, with how far it may be
 * out. `lengthOf` gets the scene and by how many standard deviations the places are moved.
 */
export function lengthIn(fit: WheelFit, lengthOf: (scene: Scene, moved: Moved) => number): Reading {
  const { known, values, information, fromRim } = fit;
  const of = (all: Float64Array): number =>
    lengthOf(sceneOf(known, all), {
      point: value(all, POINT),
      other: value(all, OTHER),
      otherOut: value(all, OTHER_OUT),
    });
  const slope = Array.from(values, (_, k) => {
    const step = STEPS[k] as number;
    const [less, more] = [Float64Array.from(values), Float64Array.from(values)];
    less[k] = value(less, k) - step;
    more[k] = value(more, k) + step;
    return (of(more) - of(less)) / (2 * step);
  });
  const moved = solveSpd(information, slope);
  const causes = Object.fromEntries(Object.keys(causeOf).map((cause) => [cause, 0])) as Record<Cause, number>;
  for (let a = 0; a < SIZE; a++)
    for (let b = 0; b < SIZE; b++)
      causes.rim += (moved[a] as number) * (fromRim[a]?.[b] as number) * (moved[b] as number);
  const sds = new Map(priors(known, fit.edgeSdMm));
  for (const [cause, all] of Object.entries(causeOf))
    for (const k of all) causes[cause as Cause] += ((moved[k] as number) / (sds.get(k) as number)) ** 2;
  return {
    mm: of(values),
    sdMm: Math.sqrt(Object.values(causes).reduce((sum, one) => sum + one, 0)),
    causes,
  };
}
