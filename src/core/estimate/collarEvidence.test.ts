import { readRounds } from './rounds.ts';
import { analyse } from '../analysis/analyse.ts';
import { answerFor } from '../planning/answer.ts';
import {
  add,
  adjustment,
  factEntry,
  fourCorners,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { collarEvidence } from './collarEvidence.ts';

const collar = (round: number, mm: number) =>
  factEntry({ kind: 'collar', round, corner: 'LF', slot: 'now', mm });
const turned = (after: number | null, first: readonly number[], then: readonly number[]) =>
  add(
    record(plainDocument()),
    settled(0),
    collar(0, 90),
    ...heights(0, first),
    ...fourCorners.map((id) => adjustment(1, id, -5)),
    ...(after === null ? [] : [collar(1, after)]),
    settled(1),
    ...heights(1, then),
  );
const odds = (job: ReturnType<typeof turned>) =>
  collarEvidence(readRounds(job), 'LF', { round: 1, readingSign: 1 });
const suspected = (job: ReturnType<typeof turned>) => must(answerFor(job)).doubt.suspicions[0]?.misfit;

const level = [375, 375, 375, 375];
/** As heights go where the left front went up by 5 of seat in place of down, at two to one: with the body 15 more there, 5 at its neighbours and 5 less across than all going down by 10. */
const tilted = [380, 370, 370, 360];

test('a collar that went as recorded speaks for it, one that went back against it, one not read says nothing', () => {
  expect(odds(turned(85, level, level))).toBeLessThan(-5);
  expect(odds(turned(95, level, level))).toBeGreaterThan(5);
  expect(odds(turned(90, level, level))).toBe(0);
  // 2 mm of the 5 recorded: 2 * 2 * 5 / 1.5^2; from 6 mm on a single reading settles no more.
  expect(odds(turned(88, level, level))).toBeCloseTo(-20 / 2.25, 9);
  expect(odds(turned(97, level, level))).toBe(25);
  // A millimetre where five were recorded: 2 x 1 x 5 / 1.5 squared; far enough it says no more than e to the 25th.
  expect(odds(turned(91, level, level))).toBeCloseTo(4.4444, 3);
  expect(odds(turned(89, level, level))).toBeCloseTo(-4.4444, 3);
  expect([odds(turned(120, level, level)), odds(turned(60, level, level))]).toEqual([25, -25]);
  expect(odds(turned(null, level, level))).toBe(0);
});

test('the other way is named first where the collar agrees, and not where it went as recorded', () => {
  expect(suspected(turned(95, level, tilted))).toEqual({
    code: 'turned-other-way',
    corners: ['LF'],
    round: 1,
  });
  expect(suspected(turned(85, level, tilted))?.code).not.toBe('turned-other-way');
});

test('heights that went as recorded outweigh one collar reading', () => {
  expect(suspected(turned(95, level, [365, 365, 365, 365]))?.code).not.toBe('turned-other-way');
});

test('how likely the other way is follows from the odds of the collar alone', () => {
  // 1.7 mm back where 5 on are recorded: odds e to 2 x 1.7 x 5 / 1.5 squared.
  const job = turned(91.7, level, [365, 365, 365, 365]);
  const [told] = analyse(job).findings;
  expect(told).toMatchObject({
    code: 'doubt',
    probability: expect.closeTo(1 / (1 + Math.exp(-17 / 2.25)), 9),
  });
});
