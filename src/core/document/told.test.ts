import { toldSeatBy, type ToldCorner } from './told.ts';

const corner: ToldCorner = { seatMm: -3, turns: -1.5, stopAtMm: null };

test('a seat is told in mm, air in tenths of a bar', () => {
  expect(toldSeatBy(corner)).toBe(-3);
  expect(toldSeatBy({ ...corner, seatMm: 0, airByBar: -0.4 })).toBeCloseTo(-4, 9);
});
