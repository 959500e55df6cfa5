import { fittingFields } from '#core/document/fitting.ts';
import { readRounds } from '#core/estimate/rounds.ts';
import {
  add,
  adjustment,
  measured,
  plainDocument,
  record,
  heights,
} from '../../../../tests/fixtures/records.ts';
import { doneInput } from './doneInput.ts';

test('grooves are entered as grooves, and mean whole ones', () => {
  const document = plainDocument((one) =>
    Object.assign(one.corners.LF, fittingFields('grooves'), { stepMm: 6 }),
  );
  const input = doneInput(document, readRounds(measured(375, document)).rounds, 'LF', 1);
  expect(input).toMatchObject({ label: 'Grooves done, fewer is −', quantity: 'number', decimals: 0 });
  expect([input.shown(-12), input.meant(-2), input.meant(1.4)]).toEqual([-2, -12, 6]);
  expect(input.question(19)).toBeNull();
});

test('turns are entered where no collar was ever read, within what a seat may move', () => {
  const bare = add(record(), ...heights(0, 375));
  const input = doneInput(bare.document, readRounds(bare).rounds, 'RR', 1);
  expect(input).toMatchObject({ label: 'Turns done, away is −', quantity: 'turns' });
  expect([input.shown(5), input.meant(-1.5)]).toEqual([2.5, -3]);
  expect(input.range.max * 2).toBeCloseTo(-input.range.min * 2, 9);
});

test('where a collar was read it is the reading it stopped at, the way its own scale grows', () => {
  for (const [grows, sign] of [['with-seat', 1], ['against-seat', -1]] as const) {
    const document = plainDocument((one) => (one.corners.LF.collar.grows = grows));
    const job = measured(375, document);
    const input = doneInput(document, readRounds(job).rounds, 'LF', 1);
    expect(input).toMatchObject({ label: 'Stopped at', quantity: 'size' });
    expect([input.shown(4), input.meant(87)]).toEqual([90 + sign * 4, sign * -3]);
  }
}); // oxfmt-ignore

test('the reading counts from the rounds before, not from this one', () => {
  const job = add(measured(), adjustment(1, 'LF', 6), ...heights(1, 380));
  const { rounds } = readRounds(job);
  expect(doneInput(job.document, rounds, 'LF', 1).shown(6)).toBe(96);
  expect(doneInput(job.document, rounds, 'LF', 2).shown(0)).toBe(96);
});

test('past the end of good thread is asked about, at either end; at the end it is not', () => {
  const job = measured();
  const { question } = doneInput(job.document, readRounds(job).rounds, 'LF', 1);
  expect([59.9, 60, 120, 120.1].map((reading) => question(reading) !== null)).toEqual([
    true,
    false,
    false,
    true,
  ]);
});
