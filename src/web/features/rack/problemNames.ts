import type { SearchProblem } from '#core/rack/problem.ts';

const names: Record<string, string> = {
  cases: 'Load cases',
  targetMm: 'To stand at, travel used',
  'room.leastMm': 'Room, seat turned in',
  'room.mostMm': 'Room, seat backed off',
  'ring.leastMm': 'Ring from seat, least',
  'ring.mostMm': 'Ring from seat, most',
  'ring.share': 'Over at, of bump',
  'ring.fromShare': 'Over at, or anywhere from',
  'ring.toShare': 'Over at, to',
  'inner.leastMm': 'Inner diameter from',
  'inner.mostMm': 'Inner diameter to',
};
const ofCase: Record<string, string> = { kg: 'Carried', fromMm: 'Sag from', toMm: 'Sag to' };

/** What the page calls a part of a search, by its path: "Sag from, ride height". */
export function problemName({ cases }: SearchProblem, path: string): string {
  const [, k, part] = /^cases\[(\d+)\]\.(\w+)$/.exec(path) ?? [];
  const name = part === undefined ? names[path] : ofCase[part];
  if (name === undefined) return path;
  return k === undefined ? name : `${name}, ${cases[Number(k)]?.name || `case ${Number(k) + 1}`}`;
}
