import type { Recheck } from '#core/document/recheck.ts';
import type { LengthSystem } from '#core/units/parseLength.ts';
import { dayWords } from './day.ts';
import { tellMetric, type Tell } from './figures.ts';

/** "recheck due 4 December 2026 or after 300 km". */
export function recheckWords({ km, day }: Recheck, tell: Tell = tellMetric): string {
  const parts = [day && dayWords(day), km !== null && `after ${tell('distance', km)}`].filter(Boolean);
  return parts.length === 0 ? 'locked at its heights' : `recheck due ${parts.join(' or ')}`;
}

/** When new springs and lock rings are looked at again, in round figures of either system. */
export const recheckAfter: Record<LengthSystem, string> = {
  mm: '150 to 500 km, and again at 1000 km',
  in: '100 to 300 mi, and again at 600 mi',
};
