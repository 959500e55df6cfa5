import { cornerNames } from '#core/kinds/corners.ts';
import type { NotYet } from '#core/planning/enough.ts';

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const hundredths = (chance: number) => Math.round(100 * chance);

/** In the workshop's words what there still is to do before it may be locked; empty where nothing is. */
export function notYetWords(left: NotYet | null): string {
  if (!left) return '';
  const { out, scales: wanted, chanceNow, betterBy } = left;
  const what = wanted?.what === 'front' ? 'right front of the front' : 'cross weight';
  const scales = wanted
    ? `${what} stands at ${percent(wanted.now)}, ${percent(wanted.target)} is wanted`
    : '';
  if (out.length > 0) {
    const where = `not in tolerance yet: ${out.map((id) => cornerNames[id]).join(', ')}`;
    return [where, scales].filter(Boolean).join('; ');
  }
  if (scales) return `all read in; ${scales}`;
  const then = betterBy === null ? '' : `; another round makes it ${hundredths(betterBy)}`;
  return `all read in, but only ${hundredths(chanceNow)} in 100 that every one truly is${then}`;
}
