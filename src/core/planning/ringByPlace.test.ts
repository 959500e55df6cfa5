import { add, adjustment, factEntry, heights, record, settled } from '../../../tests/fixtures/records.ts';
import { blankDocument } from '../document/create.ts';
import type { Entry, JobRecord } from '../document/types.ts';
import { readRounds } from '../estimate/rounds.ts';
import { ringsToSet } from './ringWork.ts';
import { hasFollowed, ringsByPlace } from './ringByPlace.ts';

const place = (mm: number, slot = 'found', round = 0) =>
  factEntry({ kind: 'ring-place', round, corner: 'LF', slot, mm });

/** A side-by-side of whose springs nothing is known; its collars read more, or less, as they go towards the spring. */
function job(grows: 'with-seat' | 'against-seat', ...entries: Entry[]): JobRecord {
  const document = blankDocument('side-by-side', '');
  document.corners.LF.collar.grows = grows;
  return add(record(document), settled(0), ...heights(0, 340), ...entries);
}
const ringOf = (one: JobRecord) => ringsByPlace(one.document, readRounds(one))[0];

test('a ring goes as far as its seat, the way its edge is read', () => {
  const turned = [adjustment(1, 'LF', 18), settled(1), ...heights(1, 366)];
  expect(ringOf(job('with-seat', place(116), ...turned))).toEqual({
    id: 'LF',
    ring: 0,
    atMm: 116,
    seatBy: 18,
    toMm: 134,
  });
  const shrinks = job('against-seat', place(116), ...turned);
  expect(ringOf(shrinks)?.toMm).toBe(98);
  expect(ringsToSet(shrinks.document, readRounds(shrinks))).toEqual(['LF']);
});

test('set, or never moved, it is done; where a gap is wanted that counts in its place', () => {
  const still = ringOf(job('with-seat', place(116)));
  expect(still && hasFollowed(still)).toBe(true);
  const turned = [adjustment(1, 'LF', 18), settled(1), ...heights(1, 366)];
  const set = job('with-seat', place(116), ...turned, place(134, 'set', 1));
  expect(ringsToSet(set.document, readRounds(set))).toEqual([]);
  const wanted = job(
    'with-seat',
    place(116),
    ...turned,
    factEntry({ kind: 'ring-gap', round: 1, corner: 'LF', slot: 'set', mm: 22 }),
  );
  wanted.document.corners.LF.ringGapMm = 22;
  expect(ringsToSet(wanted.document, readRounds(wanted))).toEqual([]);
});

test('put together anew, what it stood at before is over', () => {
  const fitted = factEntry({
    kind: 'fitted',
    round: 1,
    slot: 'springs-front',
    part: 'springs',
    axle: 'front',
    words: '',
    kit: null,
  });
  expect(ringOf(job('with-seat', place(116), fitted))).toBeUndefined();
  expect(ringOf(job('with-seat', place(116), fitted, place(120, 'found', 1)))).toMatchObject({
    atMm: 120,
    seatBy: 0,
  });
});
