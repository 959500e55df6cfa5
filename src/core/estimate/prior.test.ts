import { frictionPrior, priors, rangeSd } from './prior.ts';

test('a range is as dense in the middle as a flat one, what lies beyond it in quadrature', () => {
  const flat = Math.log(0.8 / 0.5) / Math.sqrt(2 * Math.PI);
  expect(rangeSd([0.5, 0.8], true)).toBeCloseTo(Math.sqrt(flat ** 2 + priors.beyondRange ** 2), 12);
  expect(rangeSd([0.3, 1.1], false)).toBeCloseTo(
    Math.hypot(Math.log(1.1 / 0.3) / Math.sqrt(2 * Math.PI), priors.beyondRange),
    12,
  );
  expect(rangeSd([0.5, 0.6], false)).toBe(priors.leastUnknown);
});

test('friction is what is always there and a share of the travel, in quadrature', () => {
  expect(frictionPrior(150)).toBeCloseTo(Math.sqrt(1.3 ** 2 + 0.75 ** 2), 9);
  expect(frictionPrior(400, { leastMm: 2, perTravel: 0.01 })).toBeCloseTo(Math.sqrt(20), 9);
});
