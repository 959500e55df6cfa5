import type { Recheck } from '#core/document/recheck.ts';

/** "recheck due 4 December 2026 or after 300 km". */
export function recheckWords({ km, day }: Recheck): string {
  const parts = [day && dayWords(day), km !== null && `after ${km} km`].filter(Boolean);
  return parts.length === 0 ? 'locked at its heights' : `recheck due ${parts.join(' or ')}`;
}

const MONTHS = [
  'January', 'February', 'March', 'April', 'May', 'June',
  'July', 'August', 'September', 'October', 'November', 'December',
]; // prettier-ignore

function dayWords(day: string): string {
  const [year, month, date] = day.split('-').map(Number);
  return `${date} ${MONTHS[(month ?? 1) - 1]} ${year}`;
}
