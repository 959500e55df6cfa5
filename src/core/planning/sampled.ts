import type { Answer } from './answerShape.ts';
import { heightSampler } from '../estimate/predict.ts';
import { seededUniform } from '../numerics/random.ts';
import { tolerances } from '../tolerances.ts';

/** What became of machines drawn from all that the readings allow, each brought to rest by the full model. */
export interface Sampled {
  count: number;
  /** How many landed with every height within tolerance. */
  landed: number;
  /** By corner of the answer: heights below which 5, 50 and 95 in 100 came to rest, mm. */
  heights: { low: number; middle: number; high: number }[];
}

/**
 * Draws machines and lets each come to rest after the plan, with nothing taken to be straight. Yields how many are done
 * after every few, so that who runs it can show progress or leave off; the last result is the answer.
 */
export function* samplePlan(answer: Answer, count: number): Generator<number, Sampled> {
  const { fit, now, specifiedAfter, corners, tolerance } = answer;
  const draw = heightSampler(fit, now, specifiedAfter);
  const uniform = seededUniform(tolerances.planSeed);
  const heights = corners.map(() => new Float64Array(count));
  let landed = 0;
  for (let k = 0; k < count; k++) {
    const drawn = draw(uniform);
    drawn.forEach((mm, r) => ((heights[r] as Float64Array)[k] = mm));
    const within = corners.every(
      ({ spec }, r) =>
        spec.targetMm === null || Math.abs((drawn[r] ?? NaN) - spec.targetMm) <= tolerance.value,
    );
    if (within) landed++;
    if (k % 50 === 49) yield k + 1;
  }
  return { count, landed, heights: heights.map(quantiles) };
}

function quantiles(values: Float64Array): Sampled['heights'][number] {
  const sorted = values.slice().sort();
  const at = (share: number) => sorted[Math.floor(share * sorted.length)] ?? NaN;
  return { low: at(0.05), middle: at(0.5), high: at(0.95) };
}
