import { blankDocument } from '#core/document/create.ts';
import type { Json } from '#core/document/types.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersOf } from '#core/kinds/classes/index.ts';
import { machineClasses } from '#core/kinds/classes/index.ts';
import { factWords, pathWords } from '#words/fields.ts';

/** Every place of a document that one field can set, corners by their first. */
function placesOf(value: Json, before: string[] = []): string[][] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return [before];
  return Object.entries(value).flatMap(([key, inner]) => placesOf(inner, [...before, key]));
}

/** Places that no field of the page sets by their path. */
const unset = /^(schema|schemaVersion|machine\.(class|learnt)|corners\.\w+\.(fitting|weight))$/;

test('a change is named in the workshop’s words, not by the name of its field', () => {
  const document = blankDocument('car', 'Linnet');
  const { LF } = document.corners;
  const places = placesOf({ ...document, corners: { LF } } as unknown as Json);
  const raw = places
    .filter((path) => !unset.test(path.join('.')))
    .map((path) => [path.join('.'), pathWords(path)] as const)
    .filter(([, words]) => /[a-z](Mm|Kg|Deg|L)\b|[a-z][A-Z]/.test(words));
  expect(raw).toEqual([]);
});

test('a fact is named with what, where and when', () => {
  for (const machineClass of machineClasses)
    for (const corner of cornersOf(machineClass))
      expect(factWords({ kind: 'pad', round: 2, corner, slot: '3' })).toBe(
        `pad reading 3, ${cornerNames[corner]}, round 2`,
      );
  expect(factWords({ kind: 'cycled', round: 0, corner: 'LF', slot: 'bump' })).toBe(
    'travel end cycled, front left, baseline',
  );
  expect(factWords({ kind: 'link', round: 1, corner: 'RF', slot: 'gap' })).toContain('link');
});
