import type { Axle } from '../kinds/corners.ts';
import { dot } from '../numerics/matrix.ts';
import { tolerances } from '../tolerances.ts';
import type { Fit } from './fit.ts';
import { conditionedRows, travelSpreadRows } from './predict.ts';
import type { Situation } from './belief.ts';
import type { Parameter } from './parameters.ts';

/** relative. A ratio taken off the machine with a tape, wheel against damper. */
const MEASURED_RATIO_SD = 0.03;

/** Something that could still be measured, and what it would do to the uncertainty of the heights that are planned. */
export interface Asking {
  ask: 'travel' | 'weigh' | 'springs' | 'preload' | 'ratio';
  axle: Axle;
  /** Standard deviation of the planned heights of that axle now, and with the answer, mm. */
  sdMm: number;
  withItMm: number;
}

/**
 * Of all that could be asked, what would narrow the planned heights most, best first. With covariance P and a wish to
 * know the rows B to r, the heights' A P A' becomes A (P - P B' (B P B' + r^2)^-1 B P) A', one row at a time.
 */
export function worthAsking(fit: Fit, after: Situation): Asking[] {
  const { believed, parameters } = fit;
  const rows = travelSpreadRows(fit, after);
  const asks = (['front', 'rear'] as const).flatMap((axle): Asking[] => {
    const heights = believed.references.flatMap(({ contact }, r) =>
      believed.machine.contacts[contact]?.axle === axle ? [rows.heights[r] as Float64Array] : [],
    );
    if (heights.length === 0) return [];
    const sdMm = rootMean(heights.map((a) => dot(a, a)));
    const answer = (ask: Asking['ask'], known: { row: Float64Array; sd: number }[]): Asking => ({
      ask,
      axle,
      sdMm,
      withItMm: rootMean(heights.map((a) => conditioned(a, known))),
    });
    const of = (kind: Parameter['kind'], sd: number) =>
      parameters.flatMap((parameter, k) => {
        const contact =
          'contact' in parameter ? parameter.contact : 'mass' in parameter ? parameter.mass : -1;
        const own = 'axle' in parameter ? parameter.axle : believed.machine.contacts[contact]?.axle;
        const here = own === axle;
        return parameter.kind === kind && here ? [{ row: rows.unit(k), sd: sd / parameter.sd }] : [];
      });
    const travels = believed.machine.contacts.flatMap((contact, i) =>
      contact.axle === axle ? [{ row: rows.travel[i] as Float64Array, sd: tolerances.travelUsedSdMm }] : [],
    );
    return [
      answer('travel', travels),
      answer('weigh', of('mass', tolerances.weighedSd)),
      answer('springs', of('spring', tolerances.springSd)),
      answer('preload', of('preload', tolerances.preloadSdMm)),
      answer('ratio', of('axle-ratio', MEASURED_RATIO_SD)),
    ];
  });
  return asks.sort((a, b) => a.withItMm / a.sdMm - b.withItMm / b.sdMm);
}

/** Variance left of `a` when the rows are known to within their deviations. */
export function conditioned(a: Float64Array, known: readonly { row: Float64Array; sd: number }[]): number {
  return Math.max(conditionedRows([a], known)[0]?.[0] ?? 0, 0);
}

function rootMean(values: readonly number[]): number {
  return Math.sqrt(values.reduce((sum, value) => sum + value, 0) / values.length);
}
