import { rayAt, seenAt, upOf, uprightOf, type Camera } from './camera.ts';
import { levelBySheet } from './sheetPose.ts';
import { dot3 } from './vector.ts';

const bent: Camera = { widthPx: 2000, heightPx: 1500, focalPx: 1500, bend: 0.04, axis: [0.004, -0.002] };

test.each([
  [120, 90],
  [1000, 750],
  [1960, 1400],
])('what is seen at %d, %d lies on the ray there', (x, y) => {
  const [u, v] = seenAt(bent, rayAt(bent, x, y));
  expect(u).toBeCloseTo(x, 3);
  expect(v).toBeCloseTo(y, 3);
});

test.each([[{ pitchDeg: 0, rollDeg: 0 }], [{ pitchDeg: -14, rollDeg: 3 }], [{ pitchDeg: 22, rollDeg: -9 }]])(
  'a level is told again by the upwards direction it gives: %j',
  (level) => {
    const told = levelBySheet({ up: upOf(level) });
    expect(told.pitchDeg).toBeCloseTo(level.pitchDeg, 6);
    expect(told.rollDeg).toBeCloseTo(level.rollDeg, 6);
  },
);

test('held level, up is up in the picture, and back is towards who holds it', () => {
  const { right, up, back } = uprightOf(upOf({ pitchDeg: 0, rollDeg: 0 }));
  expect(dot3(up, [0, -1, 0])).toBeCloseTo(1);
  expect(dot3(right, [1, 0, 0])).toBeCloseTo(1);
  expect(dot3(back, [0, 0, -1])).toBeCloseTo(1);
});
