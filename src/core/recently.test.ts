import { answerFor } from './planning/answer.ts';
import { recently } from './recently.ts';
import { measured } from '../../tests/fixtures/records.ts';

describe('what was made of the last few inputs', () => {
  const setUp = () => {
    const make = jest.fn(({ mm }: { mm: readonly number[]; name: string }) => ({ sum: mm.reduce((a, b) => a + b, 0) }));
    return { make, of: recently(make, 2) };
  }; // oxfmt-ignore

  test('is given again for one that says the same, and made anew for any that differs', () => {
    const { make, of } = setUp();
    const first = of({ mm: [1, NaN, Infinity], name: 'a' });
    expect(of({ name: 'a', mm: [1, NaN, Infinity] })).toBe(first);
    expect(of({ mm: [1, NaN, -Infinity], name: 'a' })).not.toBe(first);
    expect(of({ mm: [1, NaN], name: 'a' })).not.toBe(first);
    expect(make).toHaveBeenCalledTimes(3);
  });

  test('of what was asked for last; what was not asked for longest is forgotten', () => {
    const { make, of } = setUp();
    const [a, b, c] = [1, 2, 3].map((mm) => ({ mm: [mm], name: '' })) as [never, never, never];
    [a, b, a, c].forEach(of);
    of(a);
    expect(make).toHaveBeenCalledTimes(3);
    of(b);
    expect(make).toHaveBeenCalledTimes(4);
  });
});

test('a target or a name changes nothing that was learnt of a machine; a reading does', () => {
  const record = measured([375, 372, 371, 370]);
  const { corners, ...rest } = record.document;
  const document = {
    ...rest,
    name: 'Another',
    corners: { ...corners, LF: { ...corners.LF, targetMm: 340 } },
  };
  const fitOf = (one: typeof record) => answerFor(one)?.fit.factor;
  expect(fitOf({ ...record, document })).toBe(fitOf(record));
  expect(fitOf(measured([375, 372, 371, 370]))).toBe(fitOf(record));
  expect(fitOf(measured([375, 372, 371, 370.5]))).not.toBe(fitOf(record));
});
