import { add, factEntry, record } from '../../../tests/fixtures/records.ts';
import { readRounds } from './rounds.ts';

test('repeats count in the order of their slots, whatever the order they came in', () => {
  const read = (slot: string, mm: number) => factEntry({ kind: 'height', round: 0, corner: 'LF', slot, mm });
  const job = add(record(), read('10', 373), read('2', 372), read('1', 371));
  expect(readRounds(job).rounds[0]?.heights.LF).toEqual([371, 372, 373]);
});
