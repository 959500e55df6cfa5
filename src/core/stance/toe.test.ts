import { plainDocument } from '../../../tests/fixtures/records.ts';
import type { JobDocument } from '../document/types.ts';
import { rodsOf, rodWays, tieRodTurns, totalToe } from './toe.ts';

const steered = (steering: Partial<JobDocument['steering']>) =>
  plainDocument((one) => {
    Object.assign(one.steering, steering);
  });

test('tyres wider apart at their front, rods ahead of the axle: each 0.8 turn shorter, both tops to the front', () => {
  const document = steered({
    tyreMm: 740, armMm: 120, pitchMm: 1.5, rods: 'ahead', threadLeft: 'right-hand', threadRight: 'left-hand',
  }); // oxfmt-ignore
  const toeMm = totalToe({ frontMm: 1558, rearMm: 1543 });
  expect(toeMm).toBe(-15);
  // 120 x 15 / (2 x 740) / 1.5
  expect(tieRodTurns(0 - toeMm, rodsOf(document))).toBeCloseTo(0.811, 3);
  expect(rodWays(document, 15)).toEqual({ longer: false, left: 'front', right: 'front' });
});

test.each([
  ['ahead', 10, false],
  ['ahead', -10, true],
  ['behind', 10, true],
  ['behind', -10, false],
] as const)('rods %s of the axle, %i more toe-in: longer is %s', (rods, changeMm, longer) => {
  expect(rodWays(steered({ rods }), changeMm)).toEqual({ longer, left: null, right: null });
});

test('two right-hand threads turn opposite ways, seen from above; a left-hand one as its counterpart', () => {
  const both = (hand: 'right-hand' | 'left-hand', changeMm: number) =>
    rodWays(steered({ rods: 'behind', threadLeft: hand, threadRight: hand }), changeMm);
  // Behind the axle less toe-in wants them shorter.
  expect(both('right-hand', -5)).toEqual({ longer: false, left: 'front', right: 'rear' });
  expect(both('right-hand', 5)).toEqual({ longer: true, left: 'rear', right: 'front' });
  expect(both('left-hand', 5)).toEqual({ longer: true, left: 'front', right: 'rear' });
});

test('where nobody looked, or nothing is to change, no way is told', () => {
  expect(rodWays(steered({}), 5).longer).toBeNull();
  expect(rodWays(steered({ rods: 'ahead', threadLeft: 'right-hand' }), 0)).toEqual({
    longer: null,
    left: null,
    right: null,
  });
});
