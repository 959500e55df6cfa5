import { NOTHING_READ, type Pointed } from '#core/vision/readPicture.ts';
import { handlesOf, tapped } from './handles.ts';

const nothing: Pointed = { rim: [], point: null, other: null };
const outline = { x: 500, y: 400, major: 200, minor: 180, turn: 0 };

test('three places of a rim that was found can be taken hold of; moved, all three are pointed at', () => {
  const handles = handlesOf({ ...NOTHING_READ, outline, point: [510, 120] }, nothing, 'hub');
  expect(handles.map(({ kind }) => kind)).toEqual(['rim', 'rim', 'rim', 'point']);
  const to = handles[1]?.moved([300, 410]);
  expect(to?.rim).toHaveLength(3);
  expect(to?.rim[1]).toEqual([300, 410]);
  expect(to?.rim[0]).toEqual(handles[0]?.at);
  expect(to?.point).toBeNull();
});

test('what was pointed at goes before what was found, and another end is there where the measure has one', () => {
  const pointed: Pointed = { rim: [[1, 2]], point: [7, 8], other: [9, 9] };
  const read = { ...NOTHING_READ, outline, point: [510, 120] as const };
  expect(handlesOf(read, pointed, 'hub').map(({ at }) => at)).toEqual([[1, 2], [7, 8]]); // oxfmt-ignore
  const marks = handlesOf(read, pointed, 'marks');
  expect(marks.at(-1)?.name).toBe('Other end');
  expect(marks.at(-1)?.moved([5, 5])).toEqual({ ...pointed, other: [5, 5] });
});

test('the rim takes three taps, everything else one', () => {
  const first = tapped(nothing, 'rim', [1, 1]);
  const second = tapped(first.pointed, 'rim', [2, 2]);
  const third = tapped(second.pointed, 'rim', [3, 3]);
  expect([first, second, third].map(({ more }) => more)).toEqual([true, true, false]);
  expect(third.pointed.rim).toEqual([[1, 1], [2, 2], [3, 3]]); // oxfmt-ignore
  expect(tapped(nothing, 'other', [4, 4])).toEqual({ pointed: { ...nothing, other: [4, 4] }, more: false });
});
