import { seededUniform, standardNormal } from '../numerics/random.ts';
import { circleThrough } from './circleThrough.ts';
import { circlePoses } from './circlePose.ts';
import { fitEllipse, placeOn, type Ellipse } from './ellipse.ts';
import { seenAt, type Camera } from './camera.ts';
import { dot3, plus3, unit3, type Vector3 } from './vector.ts';

const tilted: Ellipse = { x: 812, y: 604, major: 310, minor: 274, turn: 0.6 };

test.each([
  ['all round', 0, 2 * Math.PI],
  ['half of it', 0.4, 0.4 + Math.PI],
])('the ellipse through its own places is found again, %s', (_, from, to) => {
  const places = Array.from({ length: 40 }, (__, k) => placeOn(tilted, from + ((to - from) * k) / 40));
  const found = fitEllipse(
    places.map(([x]) => x),
    places.map(([, y]) => y),
  ) as Ellipse;
  expect(found.x).toBeCloseTo(tilted.x, 4);
  expect(found.y).toBeCloseTo(tilted.y, 4);
  expect(found.major).toBeCloseTo(tilted.major, 4);
  expect(found.minor).toBeCloseTo(tilted.minor, 4);
  expect(Math.tan(found.turn)).toBeCloseTo(Math.tan(tilted.turn), 4);
});

test('noise of a pixel moves it by far less', () => {
  const uniform = seededUniform(4);
  const places = Array.from({ length: 180 }, (_, k) => placeOn(tilted, k / 28.6));
  const found = fitEllipse(
    places.map(([x]) => x + standardNormal(uniform)),
    places.map(([, y]) => y + standardNormal(uniform)),
  ) as Ellipse;
  expect(Math.hypot(found.x - tilted.x, found.y - tilted.y)).toBeLessThan(0.4);
  expect(Math.abs(found.major - tilted.major)).toBeLessThan(0.5);
});

test('too few places, or places in line, are no ellipse', () => {
  expect(fitEllipse([1, 2, 3, 4], [1, 4, 9, 2])).toBeNull();
  expect(circleThrough([[0, 0], [10, 10], [20, 20]])).toBeNull(); // oxfmt-ignore
});

test('three places make their circle', () => {
  const circle = circleThrough([[100, 40], [40, 100], [-20, 40]]) as Ellipse; // oxfmt-ignore
  expect(circle.x).toBeCloseTo(40);
  expect(circle.y).toBeCloseTo(40);
  expect(circle.major).toBeCloseTo(60);
});

describe('the two circles that are seen as one ellipse', () => {
  const camera: Camera = { widthPx: 2048, heightPx: 1536, focalPx: 1600, bend: 0 };
  const normal = unit3([0.25, 0.31, -1]);
  const middle: Vector3 = [0.3, 0.5, 4.6];
  const across = unit3([normal[2], 0, -normal[0]]);
  const down = unit3([
    across[1] * normal[2] - across[2] * normal[1],
    across[2] * normal[0] - across[0] * normal[2],
    across[0] * normal[1] - across[1] * normal[0],
  ]);
  const rim = Array.from({ length: 90 }, (_, k) => {
    const round = (k * Math.PI) / 45;
    return seenAt(camera, plus3(plus3(middle, across, Math.cos(round)), down, Math.sin(round)));
  });
  const outline = fitEllipse(
    rim.map(([x]) => x),
    rim.map(([, y]) => y),
  ) as Ellipse;

  test('one of them is the true one, whole', () => {
    const poses = circlePoses(camera, outline) ?? [];
    const best = [...poses].sort((a, b) => dot3(b.normal, normal) - dot3(a.normal, normal))[0];
    expect(dot3(best?.normal ?? [0, 0, 0], normal)).toBeGreaterThan(0.99999);
    for (const k of [0, 1, 2] as const) expect(best?.middle[k]).toBeCloseTo(middle[k], 3);
    // The other leans the other way, and is seen as the same ellipse.
    const other = poses.find((pose) => pose !== best);
    expect(dot3(other?.normal ?? [0, 0, 0], normal)).toBeLessThan(0.95);
  });

  test('the hub is not seen in the middle of the outline', () => {
    const [x, y] = seenAt(camera, middle);
    expect(Math.hypot(x - outline.x, y - outline.y)).toBeGreaterThan(5);
  });
});
