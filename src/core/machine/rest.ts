import { bisect } from '../numerics/bisect.ts';
import type { CornerModel } from './corner.ts';

/**
 * Wheel travel in mm at which a wheel rests under a load in N; 0 where it stays topped out, the end of travel where it
 * is on metal. Bisection: the wheel force grows with travel.
 */
export function restTravel(model: CornerModel, wheelN: number): number {
  return bisect(0, model.zMax, (z) => {
    model.evaluate(z);
    return model.forceN < wheelN;
  });
}
