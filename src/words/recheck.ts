import type { Recheck } from '#core/document/recheck.ts';
import { dayWords } from './day.ts';

/** "recheck due 4 December 2026 or after 300 km". */
export function recheckWords({ km, day }: Recheck): string {
  const parts = [day && dayWords(day), km !== null && `after ${km} km`].filter(Boolean);
  return parts.length === 0 ? 'locked at its heights' : `recheck due ${parts.join(' or ')}`;
}
