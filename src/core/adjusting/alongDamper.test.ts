import { blankDocument } from '../document/create.ts';
import { alongDamper, collarSeat } from './alongDamper.ts';

test('towards the spring is down from above it, and up from below it', () => {
  expect(alongDamper('above', 3)).toBe('down');
  expect(alongDamper('above', -3)).toBe('up');
  expect(alongDamper('below', 3)).toBe('up');
  expect(alongDamper('below', -3)).toBe('down');
});

test('until somebody looks it is where the class usually has it, and says so', () => {
  const car = blankDocument('car', '');
  expect(collarSeat(car, 'LF')).toEqual({ at: 'below', assumed: true });
  expect(collarSeat(blankDocument('side-by-side', ''), 'LF')).toEqual({ at: 'above', assumed: true });
  car.corners.LF.collarAt = 'above';
  expect(collarSeat(car, 'LF')).toEqual({ at: 'above', assumed: false });
});

test('an adjuster that is not on the damper has no way along it', () => {
  const car = blankDocument('car', '');
  for (const fitting of ['apart', 'leaf', 'air', 'spacer', 'cam', 'cap', 'clamp', 'fixed'] as const) {
    car.corners.LF.fitting = fitting;
    expect(collarSeat(car, 'LF')).toBeNull();
  }
});
