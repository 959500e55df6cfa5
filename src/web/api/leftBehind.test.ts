/** @jest-environment jsdom */
import { changedFields, leftBehind } from './leftBehind.ts';

interface Thing {
  id: string;
  version: number | null;
  name: string;
  pitchMm?: number;
}

const kept: Thing = { id: 'a', version: 3, name: 'Reed' };
const named = (name: string) => (now: Thing) => ({ ...now, name });

/** One of each shelf: what it counts lasts as long as the page. */
let nth = 0;
const shelf = () => leftBehind<Thing>(`shelf ${++nth}`);

beforeEach(() => localStorage.clear());

test('what was noted and is being sent by no page is taken up once, with what the thing was', () => {
  const left = shelf();
  left.note(kept, named('Sedge'));
  left.note({ ...kept, name: 'Sedge' }, (now) => ({ ...now, pitchMm: 2 }));
  expect(left.takeUp()).toEqual([{ was: kept, now: { ...kept, name: 'Sedge', pitchMm: 2 } }]);
  expect(left.takeUp()).toEqual([]);
});

test('what this page is sending is left to it; what stayed is taken up', () => {
  const left = shelf();
  left.note(kept, named('Sedge'));
  left.sending('a');
  expect(left.takeUp()).toEqual([]);
  left.stayed('a');
  expect(left.takeUp().map(({ now }) => now.name)).toEqual(['Sedge']);
});

test('nothing is left behind after the last change of a thing has arrived, and not before', () => {
  const left = shelf();
  for (const name of ['Sedge', 'Rush']) {
    left.note(kept, named(name));
    left.sending('a');
  }
  left.settled('a');
  left.stayed('a');
  expect(left.takeUp().map(({ now }) => now.name)).toEqual(['Rush']);
  left.note(kept, named('Teal'));
  left.sending('a');
  left.settled('a');
  expect(left.takeUp()).toEqual([]);
});

test('what the server has is shown with what was typed since, and as it is where nothing was', () => {
  const left = shelf();
  const answered = { ...kept, version: 4, name: 'Sedge' };
  left.note(kept, named('Sedge'));
  expect(left.withLater(answered)).toEqual(answered);
  expect(left.note({ ...kept, name: 'Sedge' }, (now) => ({ ...now, pitchMm: 2 }))).toMatchObject({
    name: 'Sedge',
    pitchMm: 2,
  });
  expect(left.withLater(answered)).toEqual({ ...answered, pitchMm: 2 });
});

test('a thing that was new was nothing before; shelves do not see each other; what cannot be read is nothing', () => {
  const [one, other] = [shelf(), shelf()];
  one.note({ ...kept, version: null }, (now) => now);
  expect(other.takeUp()).toEqual([]);
  localStorage.setItem(`margin-left-behind.shelf ${nth}.b`, '{half');
  expect(other.takeUp()).toEqual([]);
  expect(one.takeUp()).toEqual([{ was: null, now: { ...kept, version: null } }]);
});

test('fields that changed are given, and null where none did', () => {
  expect(changedFields({ a: 1, end: { mm: 2 } }, { a: 1, end: { mm: 3 } })).toEqual({ end: { mm: 3 } });
  expect(changedFields({ a: 1, end: { mm: 2 } }, { a: 1, end: { mm: 2 } })).toBeNull();
});
