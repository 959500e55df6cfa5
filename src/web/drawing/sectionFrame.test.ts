import { halfTurns, spreadLabels } from './sectionFrame.ts';

test('captions that would stand on each other are moved apart, the others stay beside their line', () => {
  const line = (fromMm: number, toMm: number) => ({ fromMm, toMm, text: `${fromMm}`, tone: 'ink' });
  const placed = spreadLabels([line(100, 104), line(0, 20), line(96, 104)], 15);
  expect(placed.map(({ text, textMm }) => [text, textMm])).toEqual([
    ['0', 10],
    ['96', 100],
    ['100', 115],
  ]);
});

test('a coil fills its length, its ends flat and its turns leaning', () => {
  const rows = halfTurns(50, 150, 8, 10);
  expect(rows).toHaveLength(9);
  expect(rows[0]).toEqual([55, 55]);
  expect(rows[8]).toEqual([145, 145]);
  for (const [left, right] of rows.slice(1, -1)) expect(right).toBeGreaterThan(left);
});
