import { entryIn } from './entryIn.ts';

test.each([
  ['Motion ratio', 'Motion ratio'],
  ['Bump stop takes', 'Bump stop'],
  ['Wheel travel', 'Wheel travel'],
  ['Preload at droop', 'Preload'],
  ['Sag window', 'Sag'],
  ['Tolerance, each corner ±', 'Tolerance'],
  ['Cross weight wanted, RF + LR', 'Cross weight'],
  ['Ratio, front', 'Motion ratio'],
  ['Pitch, rear', 'Thread pitch'],
  ['Ring stops the slider', null],
  ['Load on board while measuring', null],
  ['Sagging seat', null],
  ['', null],
])('“%s” speaks of %s', (label, term) => {
  expect(entryIn(label)?.term ?? null).toBe(term);
});
