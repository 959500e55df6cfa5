import { cornerIds } from '#core/machine/body.ts';
import {
  add,
  factEntry,
  heights,
  measured,
  plainDocument,
  record,
  must,
} from '../../../tests/fixtures/records.ts';
import { questionHeight, questionTarget, questionWords } from '../judge/questions.ts';
import { readRounds } from '../job/rounds.ts';
import { answerFor } from '../plan/answer.ts';
import {
  chanceSum,
  gainSum,
  heightNowSum,
  predictedSum,
  seatMoveSum,
  stopAtSum,
  toldSum,
} from '../sums/cornerSums.ts';
import { marginSum } from '../sums/marginSum.ts';
import { marginsFor, worstOfEachKind, type Margin, type MarginKind } from './margins.ts';

const answerOf = (job: Parameters<typeof answerFor>[0]) => must(answerFor(job));
const find = (margins: readonly Margin[], kind: MarginKind, corner = 'LF') =>
  margins.find((margin) => margin.kind === kind && margin.corner === corner);

describe('what is left', () => {
  const known = add(
    measured(),
    ...cornerIds.map((corner) => factEntry({ kind: 'travel-used', corner, slot: 'now', valueMm: 80 })),
  );
  const margins = marginsFor(answerOf(known));

  test('by hand: 90 to 85 on a thread from 60 to 120, 80 mm used of 200, 10 mm lower, stop takes 40', () => {
    expect(find(margins, 'thread-down')).toMatchObject({
      leftMm: expect.closeTo(25, 6),
      turns: expect.closeTo(12.5, 6),
      state: 'clear',
    });
    expect(find(margins, 'thread-up')).toMatchObject({ leftMm: expect.closeTo(35, 6) });
    expect(find(margins, 'droop')).toMatchObject({ leftMm: expect.closeTo(90, 0), assumed: false });
    expect(find(margins, 'bump-stop')).toMatchObject({ leftMm: expect.closeTo(70, 0) });
    expect(find(margins, 'bump-metal')).toMatchObject({ leftMm: expect.closeTo(110, 0), state: 'clear' });
    expect(find(margins, 'height')?.leftMm).toBeGreaterThan(2.8);
  });

  test('says what is assumed', () => {
    expect(find(marginsFor(answerOf(measured())), 'droop')?.assumed).toBe(true);
  });

  test('a thread at its end is short and comes first', () => {
    const tight = measured(
      375,
      plainDocument((document) => (document.corners.RR.collar.minMm = 88)),
    );
    const sorted = marginsFor(answerOf(tight));
    expect(sorted[0]).toMatchObject({ state: 'short' });
    expect(find(sorted, 'thread-down', 'RR')).toMatchObject({ state: 'short', leftMm: expect.closeTo(0, 6) });
    const ranks = sorted.map(({ state }) => ['short', 'tight', 'clear'].indexOf(state));
    expect(ranks).toEqual([...ranks].sort());
  });

  test('one row a kind, the worst corner of each', () => {
    const rows = worstOfEachKind(margins);
    expect(new Set(rows.map(({ kind }) => kind)).size).toBe(rows.length);
    for (const row of rows) {
      const same = margins.filter(({ kind }) => kind === row.kind);
      expect(Math.min(...same.map(({ share }) => share))).toBe(row.share);
    }
  });
});

describe('sums give the figure they stand for', () => {
  const answer = answerOf(measured([377, 375, 371, 372]));
  const [corner] = answer.corners;
  if (!corner) throw new Error('expected a corner');

  test('inputs reproduce the result', () => {
    const values = (inputs: { symbol: string; value: number }[]) =>
      Object.fromEntries(inputs.map(({ symbol, value }) => [symbol, value]));
    const stop = stopAtSum(corner);
    expect(stop?.result.value).toBeCloseTo(
      (values(stop?.inputs ?? []).r ?? 0) + (values(stop?.inputs ?? []).c ?? 0),
      9,
    );
    const move = seatMoveSum(corner, answer);
    expect(move.result.value).toBeCloseTo((values(move.inputs).c ?? 0) / (values(move.inputs).p ?? 1), 9);
    expect(heightNowSum(corner, answer).result.value).toBeCloseTo(377, 3);
    expect(predictedSum(corner, answer).result.value).toBe(corner.predictedMm);
    expect(chanceSum(answer, 'after')?.result.value).toBe(answer.chanceAfter);
    expect(chanceSum(answer, 'now')?.result.value).toBe(answer.chanceNow);
    const told = { seatMm: -5, turns: -2.5, stopAtMm: 85, heightMm: 365, heightSdMm: 2 };
    expect(toldSum(told, corner, 'front left').result.value).toBeCloseTo(corner.nowMm - 365, 9);
    expect(toldSum({ ...told, stopAtMm: null }, null, 'front left').result.value).toBe(365);
    expect(gainSum('front', answer).result.value).toBeCloseTo(2, 3);
  });

  test('every margin opens to inputs that add up', () => {
    for (const margin of marginsFor(answer).filter(({ corner: id }) => id === 'LF')) {
      const sum = marginSum(margin, corner, 3);
      const at = (symbol: string) => sum.inputs.find((one) => one.symbol === symbol)?.value ?? 0;
      const expected = {
        'thread-up': at('r max') - at('stop'),
        'thread-down': at('stop') - at('r min'),
        droop: at('z') - at('h′ − h'),
        'bump-stop': at('z max') - at('z′') - at('s'),
        'bump-metal': at('z max') - at('z′'),
        height: at('T') - Math.abs(at('h′') - at('t')),
      }[margin.kind];
      expect(sum.result.value).toBeCloseTo(expected, 6);
    }
  });

  test('no collar, no figure to stop at', () => {
    const bare = answerOf(add(record(), ...heights(0, 375)));
    expect(bare.corners[0] && stopAtSum(bare.corners[0])).toBeNull();
  });
});

describe('questions', () => {
  const round = readRounds(measured([375, 375, 371, 371])).rounds[0];
  const say = (value: number) => `${value} mm`;

  test('a reading 40 mm off its twin is asked about, a usual one is not', () => {
    const question = questionHeight(415, 'RF', round, []);
    expect(question).toEqual({ kind: 'twin', differenceMm: 40 });
    expect(question && questionWords(question, say)).toMatch(/^40 mm off its twin/);
    expect(questionHeight(380, 'RF', round, [])).toBeNull();
  });

  test('a target that is half a number is asked about', () => {
    expect(questionTarget(36, 371)).toEqual({ kind: 'target', differenceMm: -335 });
    expect(questionTarget(350, 371)).toBeNull();
    expect(questionTarget(36, null)).toBeNull();
  });

  test('a repeat 9 mm off the first is asked about', () => {
    expect(questionHeight(384, 'RF', round, [375])).toEqual({ kind: 'repeat', differenceMm: 9 });
    expect(questionHeight(377, 'RF', round, [375])).toBeNull();
    // One stray among three does not put the other two in doubt.
    expect(questionHeight(546, 'RF', undefined, [547, 599])).toBeNull();
    expect(questionHeight(599, 'RF', undefined, [546, 547])).toEqual({ kind: 'repeat', differenceMm: 52 });
  });
});
