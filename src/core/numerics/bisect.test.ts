import { bisect } from './bisect.ts';

test.each([
  ['a root of a rising function', 0, 10, (x: number) => x * x < 2, Math.SQRT2],
  ['a negative range', -8, -1, (x: number) => x < -Math.PI, -Math.PI],
  ['holding everywhere: the upper end', 0, 3, () => true, 3],
  ['holding nowhere: the lower end', 0, 3, () => false, 0],
])('%s', (_, low, high, holds, expected) => {
  expect(Math.abs(bisect(low, high, holds) - expected)).toBeLessThan(1e-9);
});

test('the condition still holds where it says, so that nothing is past its limit', () => {
  for (let k = 1; k < 200; k++) {
    const edge = k / 7;
    const found = bisect(0, 40, (x) => x <= edge);
    expect(found).toBeLessThanOrEqual(edge);
    expect(edge - found).toBeLessThan(1e-9);
  }
});

test('an empty range is its own end', () => expect(bisect(5, 5, (x) => x < 7)).toBe(5));
