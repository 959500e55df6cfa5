import {
  add,
  adjustment,
  factEntry,
  heights,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import type { Entry, JobRecord } from '../document/types.ts';
import { collarNow, readRounds } from './rounds.ts';
import { atSecond, tieOf } from './secondDatum.ts';

const read = (round: number, mm: number, slot = 'now') =>
  factEntry({ kind: 'collar', round, corner: 'LF', slot, mm });

/** A strut whose sheet has 207 mm from the bolt hole; in the truck only the bracket's edge is in reach. */
const job = (grows: 'with-seat' | 'against-seat', ...entries: Entry[]): JobRecord =>
  add(
    record(plainDocument((document) => (document.corners.LF.second = { datum: 'bracket', grows }))),
    settled(0),
    ...heights(0, 365),
    ...entries,
  );
const now = (one: JobRecord) => collarNow(readRounds(one).rounds, 'LF', 1);
const second = (one: JobRecord, mm: number) =>
  atSecond({ document: one.document, rounds: readRounds(one).rounds }, 'LF', mm);

test('two readings at one moment tie both edges: each is told by the other, whichever way it reads', () => {
  const tied = job('with-seat', read(0, 196), read(0, 51, 'second'));
  expect(tieOf(readRounds(tied).rounds, 'LF')).toEqual({ firstMm: 196, secondMm: 51 });
  expect(second(tied, 203)).toBe(58);
  expect(second(job('against-seat', read(0, 196), read(0, 51, 'second')), 203)).toBe(44);
});

test('read by the second edge alone, the seat stands where the first would have it', () => {
  const tied = [read(0, 196), read(0, 51, 'second'), adjustment(1, 'LF', 6), settled(1), ...heights(1, 377)];
  expect(now(job('with-seat', ...tied))).toBe(202);
  expect(now(job('with-seat', ...tied, read(1, 58, 'second')))).toBe(203);
  // Both read: the first is believed as it is.
  expect(now(job('with-seat', ...tied, read(1, 58, 'second'), read(1, 204)))).toBe(204);
});

test('nothing ties them while only one was read, or once other parts are in', () => {
  expect(second(job('with-seat', read(0, 51, 'second')), 203)).toBeNull();
  expect(now(job('with-seat', read(0, 51, 'second')))).toBeNull();
  const fitted = factEntry({
    kind: 'fitted',
    round: 1,
    slot: 'kit-front',
    part: 'kit',
    axle: 'front',
    words: '',
    kit: null,
  });
  expect(second(job('with-seat', read(0, 196), read(0, 51, 'second'), fitted), 203)).toBeNull();
});
