import { drawnTerms, glossary } from './glossary.ts';

test('every word has a place of its own, in the order of the alphabet, and says what it means', () => {
  expect(new Set(glossary.map(({ id }) => id)).size).toBe(glossary.length);
  const terms = glossary.map(({ term }) => term.replace('Spring collar', 'Collar'));
  expect(terms).toEqual([...terms].sort((a, b) => a.localeCompare(b)));
  for (const { term, means } of glossary) {
    expect([term, means.length > 0]).toEqual([term, true]);
    for (const sentence of means) expect(sentence).toMatch(/^[A-Z“0-9].*\.$/);
  }
});

test('what is drawn is a word of the list, and no other name leads to two of them', () => {
  const ids: string[] = glossary.map(({ id }) => id);
  for (const drawn of drawnTerms) expect(ids).toContain(drawn);
  const names = glossary.flatMap(({ term, also }) => [term, ...also].map((one) => one.toLowerCase()));
  expect(names.filter((name, k) => names.indexOf(name) !== k)).toEqual([]);
});
