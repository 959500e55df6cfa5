import { seededUniform } from '../numerics/random.ts';
import { answerFor } from '../planning/answer.ts';
import { add, adjustment, fourCorners, heights, must, plainDocument, record, settled } from '../../../tests/fixtures/records.ts'; // oxfmt-ignore
import { conditionedRows, heightSampler, predict, predictJointly, travelSpreadRows } from './predict.ts';

const job = add(
  record(plainDocument()),
  settled(0),
  ...heights(0, 375),
  ...fourCorners.map((id) => adjustment(1, id, -4)),
  settled(1),
  ...heights(1, 367),
);
const { fit, now } = must(answerFor(job));
const lowered = { ...now, seatsBy: now.seatsBy.map((mm) => mm - 5) };

test('what is known to within r leaves P − p p / (v + r²) of the rest', () => {
  const rows = [Float64Array.from([2, 1]), Float64Array.from([0, 3])];
  const known = [{ row: Float64Array.from([1, 1]), sd: 2 }];
  // P = [[5, 3], [3, 9]]; with the known row: 3 and 3, of itself 2, and 2² more of it.
  expect(conditionedRows(rows, known)).toEqual([
    [expect.closeTo(5 - 9 / 6, 12), expect.closeTo(3 - 9 / 6, 12)],
    [expect.closeTo(3 - 9 / 6, 12), expect.closeTo(9 - 9 / 6, 12)],
  ]);
  expect(conditionedRows(rows, [])).toEqual([[5, 3], [3, 9]]); // oxfmt-ignore
  // Two things known one after another leave what both leave together.
  const both = conditionedRows(rows, [...known, { row: Float64Array.from([2, 1]), sd: 1e-6 }]);
  expect(both[0]?.[0]).toBeCloseTo(0, 6);
});

test('several situations at once agree with each by itself, and share what they share', () => {
  const { mean, covariance } = predictJointly(fit, [now, lowered]);
  const [here, there] = [predict(fit, now), predict(fit, lowered)];
  expect(mean).toEqual([...here.mean, ...there.mean]);
  here.covariance.forEach((row, i) =>
    row.forEach((value, j) => expect(covariance[i]?.[j]).toBeCloseTo(value, 9)),
  );
  there.covariance.forEach((row, i) =>
    row.forEach((value, j) => expect(covariance[4 + i]?.[4 + j]).toBeCloseTo(value, 9)),
  );
  // Where it stands now and where it will stand are off together.
  expect(covariance[0]?.[4] ?? 0).toBeGreaterThan(0);
  expect(covariance[0]?.[4]).toBeCloseTo(covariance[4]?.[0] ?? NaN, 9);
});

test('whitened rows have the spread of heights and travels as their squares', () => {
  const { heights: rows, travel, mean } = travelSpreadRows(fit, lowered);
  const whole = predict(fit, lowered);
  expect(mean).toEqual(whole.mean);
  rows.forEach((row, i) =>
    expect(Math.hypot(...row)).toBeCloseTo(Math.sqrt(whole.covariance[i]?.[i] ?? NaN), 9),
  );
  travel.forEach((row, i) => expect(Math.hypot(...row)).toBeCloseTo(whole.travelSd[i] ?? NaN, 9));
});

test('machines drawn from the fit spread as it says, now and after some work', () => {
  const uniform = seededUniform(3);
  const whole = predict(fit, now);
  // By quartiles: a few machines drawn from broad guesses stand on a stop, where nothing is straight.
  const spread = (of: readonly number[]) => {
    const sorted = [...of].sort((a, b) => a - b);
    const at = (share: number) => sorted[Math.floor(share * sorted.length)] ?? NaN;
    return { mean: at(0.5), sd: (at(0.75) - at(0.25)) / 1.349 };
  };
  const stay = heightSampler(fit, now, now);
  const drawn = spread(Array.from({ length: 400 }, () => stay(uniform)[0] ?? NaN));
  const sd = Math.sqrt(whole.covariance[0]?.[0] ?? NaN);
  expect(Math.abs(drawn.mean - (whole.mean[0] ?? NaN))).toBeLessThan((5 * sd) / 20);
  expect(Math.abs(drawn.sd / sd - 1)).toBeLessThan(0.2);
  const sampler = heightSampler(fit, now, lowered);
  const later = spread(Array.from({ length: 200 }, () => sampler(uniform)[0] ?? NaN));
  const then = predict(fit, lowered);
  const sdThen = Math.sqrt(then.covariance[0]?.[0] ?? NaN);
  // The work is followed in full there, and straight on here.
  expect(Math.abs(later.mean - (then.mean[0] ?? NaN))).toBeLessThan(sdThen);
  expect(Math.abs(later.sd / sdThen - 1)).toBeLessThan(0.35);
  // Rings that move as well are brought to rest anew: where none are, nothing changes by it.
  const ringed = heightSampler(fit, now, { ...lowered, ringsMm: [[], [], [], []] });
  expect(ringed(seededUniform(9))[0]).toBeCloseTo(sampler(seededUniform(9))[0] ?? NaN, 4);
});
