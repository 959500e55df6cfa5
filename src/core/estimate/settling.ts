import type { Situation } from './belief.ts';
import type { Fit } from './fit.ts';
import { inEra, settledShare } from './parameters.ts';
import { travelSpreadRows } from './predict.ts';

/** Height that one contact's springs have lost, mm at the wheel, and one standard deviation of it. */
export interface Loss {
  lostMm: number;
  sdMm: number;
}

/** What the springs of every contact have lost by a situation; nothing where nobody drove. */
export function lossesAt(fit: Fit, situation: Situation): Loss[] {
  const share = settledShare(situation.km, fit.values.settlingKm);
  const { settlingMm } = inEra(fit.values, situation);
  if (share === 0) return settlingMm.map(() => ({ lostMm: 0, sdMm: 0 }));
  const { unit } = travelSpreadRows(fit, situation);
  return settlingMm.map((lossMm, contact) => {
    const row = new Float64Array(fit.parameters.length);
    fit.parameters.forEach((parameter, k) => {
      const own = parameter.kind === 'settling-own' && parameter.contact === contact;
      const shared = parameter.kind === 'settling-all';
      if (!(own || shared) || parameter.era !== (situation.era ?? 0)) return;
      unit(k).forEach((value, j) => (row[j] = (row[j] ?? 0) + parameter.sd * value));
    });
    return { lostMm: share * lossMm, sdMm: share * Math.hypot(...row) };
  });
}
