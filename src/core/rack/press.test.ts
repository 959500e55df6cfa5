import { pressFit } from './press.ts';

test('the line through readings, its scatter and the error of its rate, as least squares has them', () => {
  const rows: [number, number][] = [[10, 512], [20, 1005], [30, 1493], [40, 2010]]; // oxfmt-ignore
  // By hand: mean 25 and 1255, sxx 500, sxy 24 910.
  const rate = 24_910 / 500;
  const off = rows.map(([x, f]) => f - 1255 - rate * (x - 25));
  const rss = off.reduce((sum, e) => sum + e * e, 0);
  const fit = pressFit(rows);
  expect(fit?.rateNPerMm).toBeCloseTo(rate, 9);
  expect(fit?.atRestN).toBeCloseTo(1255 - rate * 25, 9);
  expect(fit?.sdNPerMm).toBeCloseTo(Math.sqrt(rss / 2 / 500), 9);
  expect(fit?.worstN).toBeCloseTo(Math.max(...off.map(Math.abs)), 9);
  expect(fit?.curved).toBe(false);
});

const spread = [3, -4, 2, -2, 4, -3, 1];
const bent = (bend: number, scatter = 1) =>
  pressFit(spread.map((e, k) => [10 * k, 40 * 10 * k + bend * (10 * k) ** 2 + scatter * e]));

test('bent is what bends the rate by a twentieth, clear of the scatter', () => {
  // The rate changes by 2 b times the 60 mm between first and last: 0.05 of about 40 is b = 0.017.
  expect(bent(0.012)?.curved).toBe(false);
  expect(bent(0.03)?.curved).toBe(true);
  expect(bent(-0.03)?.curved).toBe(true);
  expect(bent(0.03, 12)?.curved).toBe(false);
  expect(pressFit([[0, 0], [10, 380], [20, 840]])?.curved).toBe(false); // oxfmt-ignore
  expect(pressFit([[5, 100], [5, 110]])).toBeNull(); // oxfmt-ignore
});

test('bent is told alike wherever along the spring the readings begin', () => {
  const from = (start: number, bend: number) =>
    pressFit(
      spread.map((e, k) => {
        const x = start + 10 * k;
        return [x, 40 * x + bend * (x - start) ** 2 + e];
      }),
    )?.curved;
  for (const start of [0, 25, 80]) expect([from(start, 0.03), from(start, 0.008)]).toEqual([true, false]);
});
