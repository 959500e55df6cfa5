import { levelOf } from './tilt.ts';

test.each([
  ['upright, lens level', [90, 0, 0], [0, 0]],
  ['upright, lens looking up', [100, 0, 0], [10, 0]],
  ['upright, lens looking down', [75, 0, 0], [-15, 0]],
  // On its left side, its right upwards: what is shown is turned by 90 degrees.
  ['on its left side', [0, -90, 90], [0, 0]],
  ['on its left side, lens looking up', [0, -80, 90], [-10, 0]],
  ['on its right side', [0, 90, 270], [0, 0]],
  ['upside down', [-90, 0, 180], [0, 0]],
])('%s', (_, [beta = 0, gamma = 0, screen = 0], [pitch = 0, roll = 0]) => {
  const { pitchDeg, rollDeg } = levelOf(beta, gamma, screen);
  expect(pitchDeg).toBeCloseTo(pitch, 6);
  expect(rollDeg).toBeCloseTo(roll, 6);
});

test('with its right side low by some degrees it is rolled by those', () => {
  // Held upright and turned about the lens: beta and gamma of that are not its angles.
  const turn = (20 * Math.PI) / 180;
  // Upwards along its right side, its top and out of its screen: a side that is low has less of it.
  const [right, top, out] = [-Math.sin(turn), Math.cos(turn), 0];
  const beta = (Math.asin(top) * 180) / Math.PI;
  const gamma = (Math.atan2(-right, out) * 180) / Math.PI;
  const { pitchDeg, rollDeg } = levelOf(beta, gamma, 0);
  expect(pitchDeg).toBeCloseTo(0, 6);
  expect(rollDeg).toBeCloseTo(20, 6);
});
