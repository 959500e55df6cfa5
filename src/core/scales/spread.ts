import { drawPair } from '../estimate/predict.ts';
import type { Situation } from '../estimate/belief.ts';
import { simulate, type Outcome } from '../estimate/simulate.ts';
import { seededUniform } from '../numerics/random.ts';
import { spreadOf } from '../numerics/spread.ts';
import type { Answer } from '../planning/answerShape.ts';
import { tolerances } from '../tolerances.ts';

/** pairs of machines drawn: a spread is known to about an eighth by them, which is all that is shown of it. */
const PAIRS = 16;

/**
 * One standard deviation of figures of a machine at rest, over machines that the readings allow, each brought to rest by the
 * full model. `valuesOf` gives the same figures of each outcome, in any unit; null where it has none.
 */
export function spreadAt(
  { fit }: Pick<Answer, 'fit'>,
  situation: Situation,
  valuesOf: (outcome: Outcome) => number[] | null,
): number[] {
  const uniform = seededUniform(tolerances.planSeed);
  const drawn = Array.from({ length: PAIRS }, () => drawPair(fit, uniform)).flat();
  return spreadOf(
    drawn.flatMap((values) => {
      const figures = valuesOf(simulate(fit.believed, values, situation));
      return figures ? [figures] : [];
    }),
  );
}
