import { knotsThrough, MonotoneCubic } from './monotoneCubic.ts';
import { softmaxShares } from './softmax.ts';

test('shares are by the exponentials, however large or small these are', () => {
  const [a, b, c] = softmaxShares([0, Math.log(2), Math.log(5)]);
  expect([a, b, c].map((one) => Number(one?.toFixed(12)))).toEqual([0.125, 0.25, 0.625]);
  for (const most of [-2000, 900]) {
    const shares = softmaxShares([most, most + Math.log(3)]);
    expect(shares[0]).toBeCloseTo(0.25, 9);
    expect(shares[1]).toBeCloseTo(0.75, 9);
  }
});

describe('the curve through growing points', () => {
  // Secants 2, 5 and 1 over runs of 10, 4 and 6.
  const curve = new MonotoneCubic(
    knotsThrough(Float64Array.from([0, 10, 14, 20]), Float64Array.from([0, 20, 40, 46])),
  );
  const at = (x: number) => {
    curve.evaluate(x);
    return { value: curve.value, slope: curve.slope, curvature: curve.curvature };
  };

  test('slopes inside are weighted harmonic means, at the ends three-point and never back', () => {
    // Fritsch and Butland: (w1 + w2) / (w1 / left + w2 / right) with w1 = 2 after + before, w2 = after + 2 before.
    const inner = (before: number, after: number, left: number, right: number) =>
      (3 * before + 3 * after) / ((2 * after + before) / left + (after + 2 * before) / right);
    expect(at(10).slope).toBeCloseTo(inner(10, 4, 2, 5), 12);
    expect(at(14).slope).toBeCloseTo(inner(4, 6, 5, 1), 12);
    // ((2 near + far) near's - near far's) / (near + far), not below nothing.
    expect(at(0).slope).toBe(0);
    expect(at(20).slope).toBe(Math.max((16 * 1 - 6 * 5) / 10, 0));
    const fair = new MonotoneCubic(
      knotsThrough(Float64Array.from([0, 10, 14]), Float64Array.from([0, 20, 30])),
    );
    fair.evaluate(0);
    expect(fair.slope).toBeCloseTo((24 * 2 - 10 * 2.5) / 14, 12);
  });

  test('it meets its points, is smooth between them and straight beyond', () => {
    [[0, 0], [10, 20], [14, 40], [20, 46]].forEach(([x = 0, y = 0]) => expect(at(x).value).toBeCloseTo(y, 9)); // oxfmt-ignore
    const h = 1e-5;
    for (const x of [3, 8, 11.5, 17]) {
      expect(at(x).slope).toBeCloseTo((at(x + h).value - at(x - h).value) / (2 * h), 5);
      expect(at(x).curvature).toBeCloseTo((at(x + h).slope - at(x - h).slope) / (2 * h), 4);
    }
    expect(at(-5).value).toBeCloseTo(-5 * at(0).slope, 9);
    expect(at(26).value).toBeCloseTo(46 + 6 * at(20).slope, 9);
  });
});
