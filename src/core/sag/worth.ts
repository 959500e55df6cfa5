import { sagWish } from '../document/sagWish.ts';
import type { Answer } from '../planning/answerShape.ts';
import { conditioned } from '../estimate/worth.ts';
import { meanOf } from '../numerics/mean.ts';
import { dot } from '../numerics/matrix.ts';
import { travelSpreadRows, type SpreadRows } from '../estimate/predict.ts';
import type { CornerId } from '../kinds/corners.ts';
import { tolerances } from '../tolerances.ts';

/** One more thing to read, and what it would do to the spread of the sag that is planned at that end. */
export interface SagAsking {
  id: CornerId;
  ask: 'alone' | 'rider' | 'spring' | 'preload' | 'weigh';
  sdMm: number;
  withItMm: number;
}

/** A whole reading, pressed and lifted (one standard deviation), mm at the wheel. */
const WHOLE_READING_MM = 1.2;

/**
 * Of all that could still be read, what would narrow the planned sags most, best first: rider's and static sag of an end
 * count alike; of one that is set with nobody on, that alone. By the same rule as for heights: A P A' becomes A (P - P B' (B P B' + r^2)^-1 B P) A'.
 */
export function worthReading(answer: Answer): SagAsking[] {
  const { fit, machine, now, specifiedAfter, document, state } = answer;
  const key = document.riders[0]?.key;
  if (key === undefined) return [];
  const { km, level } = specifiedAfter;
  const after = travelSpreadRows(fit, specifiedAfter);
  const still = travelSpreadRows(fit, { ...specifiedAfter, aboard: machine.alone });
  const here = travelSpreadRows(fit, { ...now, km, level, aboard: machine.ridden[key]?.read ?? now.aboard });
  const empty = travelSpreadRows(fit, { ...now, km, level, aboard: machine.alone });
  const row = (rows: SpreadRows, i: number) => rows.travel[i] ?? new Float64Array();
  const read = (id: CornerId, who: string) =>
    state.rounds.some(({ sag }) => {
      const one = sag[id]?.states[who];
      return one !== undefined && one.press !== undefined && one.lift !== undefined;
    });
  return machine.corners
    .flatMap((id, i): SagAsking[] => {
      const wish = sagWish(document, id);
      if (wish === null) return [];
      // Set with nobody on, nothing of a rider counts or is asked for.
      const aloneOnly = wish.who === 'alone';
      const goals = aloneOnly ? [row(still, i)] : [row(after, i), row(still, i)];
      const spread = (known: { row: Float64Array; sd: number }[]) =>
        Math.sqrt(meanOf(goals.map((a) => (known.length > 0 ? conditioned(a, known) : dot(a, a)))));
      const unit = (kind: 'spring' | 'preload', sd: number) =>
        fit.parameters.flatMap((parameter, k) =>
          parameter.kind === kind && parameter.contact === i
            ? [{ row: after.unit(k), sd: sd / parameter.sd }]
            : [],
        );
      const loads = fit.parameters.flatMap((parameter, k) =>
        parameter.kind === 'mass' && parameter.mass === i
          ? [{ row: after.unit(k), sd: tolerances.weighedSd / parameter.sd }]
          : [],
      );
      const sdMm = spread([]);
      const asks: [SagAsking['ask'], boolean, { row: Float64Array; sd: number }[]][] = [
        ['rider', !aloneOnly && !read(id, key), [{ row: row(here, i), sd: WHOLE_READING_MM }]],
        ['alone', !read(id, 'alone'), [{ row: row(empty, i), sd: WHOLE_READING_MM }]],
        ['spring', machine.sources[id].springs === 'assumed', unit('spring', tolerances.springSd)],
        ['preload', machine.sources[id].preload === 'assumed', unit('preload', tolerances.preloadSdMm)],
        ['weigh', machine.sources[id].load !== 'measured', loads],
      ];
      return asks.flatMap(([ask, open, known]) =>
        open && known.length > 0 ? [{ id, ask, sdMm, withItMm: spread(known) }] : [],
      );
    })
    .sort((a, b) => a.withItMm / a.sdMm - b.withItMm / b.sdMm);
}
