/** As much of what the bundler tells of a module as is needed here. */
interface Told {
  getModuleInfo: (id: string) => { importedIds: readonly string[]; isEntry: boolean } | null;
}

/**
 * Two files for what pages share, in place of one for each set of pages that share something: over a shop's wireless a file
 * costs more than its bytes. What the first page loads stands by itself, so that it loads no more than it needs.
 */
export function sharedChunks(entry: string) {
  let first: Set<string> | null = null;
  const isFirst = (id: string, told: Told) => (first ??= reachedFrom(entry, told)).has(id);
  return [
    { debugName: 'first', name: (id: string, told: Told) => (isFirst(id, told) ? 'first' : null) },
    {
      debugName: 'shared',
      name: (id: string, told: Told) => (isFirst(id, told) || isDrawn(id) ? null : 'shared'),
      minShareCount: 2,
    },
  ];
}

/** The chart library and its wrapper, which pages do without until somebody opens a chart. */
const isDrawn = (id: string) => /plotly|\/web\/charts\//.test(id);

/** Every module that the entry imports, or what it imports does, without what is imported when it is needed. */
function reachedFrom(entry: string, told: Told): Set<string> {
  const seen = new Set<string>();
  const waiting = [entry];
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    if (seen.has(id)) continue;
    seen.add(id);
    waiting.push(...(told.getModuleInfo(id)?.importedIds ?? []));
  }
  return seen;
}
