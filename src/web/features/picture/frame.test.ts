import { NOTHING_READ } from '#core/vision/readPicture.ts';
import { frameOf } from './frame.ts';

const size = { widthPx: 2000, heightPx: 1500 };
const all = { x: 0, y: 0, width: 2000, height: 1500 };
const disc = (x: number, y: number) => ({ x, y, areaPx: 900 });

test('nothing found shows the whole picture', () => {
  expect(frameOf(size, null)).toEqual(all);
  expect(frameOf(size, NOTHING_READ)).toEqual(all);
});

test('a wheel is shown with its point, and never beyond the picture', () => {
  const outline = { x: 900, y: 900, major: 300, minor: 280, turn: 0 };
  const frame = frameOf(size, { ...NOTHING_READ, outline, point: [920, 200] });
  expect(frame.y).toBeLessThan(200);
  expect(frame.x).toBeCloseTo(900 - 1.7 * 300);
  expect(frame.y + frame.height).toBeCloseTo(900 + 1.4 * 300);
  const edge = frameOf(size, { ...NOTHING_READ, outline: { ...outline, x: 1950 } });
  expect(edge.x + edge.width).toBe(2000);
});

test('with the sheet as scale both marks and all its discs are in it, once both are pointed at', () => {
  const sheet = [disc(300, 500), disc(420, 500), disc(420, 680), disc(300, 680), disc(360, 500)];
  const one = { ...NOTHING_READ, sheet, point: [700, 300] as const };
  expect(frameOf(size, one)).toEqual(all);
  const frame = frameOf(size, { ...one, other: [720, 900] });
  for (const [x, y] of [[300, 500], [420, 680], [700, 300], [720, 900]] as const) {
    expect(x > frame.x && x < frame.x + frame.width).toBe(true);
    expect(y > frame.y && y < frame.y + frame.height).toBe(true);
  }
  expect(frame.width).toBeLessThan(1000);
}); // oxfmt-ignore
