import { GasSpring, polytropicWork } from './gas.ts';

test.each([1, 1.25, 1.4])('work on a gas of exponent %d is the pressure added up over the volume', (n) => {
  const [p0, v0, v] = [1.4, 90_000, 52_000];
  const steps = 20_000;
  let sum = 0;
  for (let k = 0; k < steps; k++) {
    const at = v0 - ((k + 0.5) * (v0 - v)) / steps;
    sum += (p0 * (v0 / at) ** n * (v0 - v)) / steps;
  }
  expect(polytropicWork(p0, v0, v, n) / sum).toBeCloseTo(1, 6);
});

test('force, rate and energy of a charge agree, and begin at gauge pressure times area', () => {
  const gas = new GasSpring({ gaugeBar: 12, volumeCm3: 60, areaMm2: 201, exponent: 1.3 });
  const force = (s: number) => {
    gas.evaluate(s);
    return gas.forceN;
  };
  expect(force(0)).toBeCloseTo(1.2 * 201, 9);
  for (const s of [5, 60, 140]) {
    expect(force(s)).toBeCloseTo((gas.energy(s + 1e-3) - gas.energy(s - 1e-3)) / 2e-3, 3);
    const slope = (force(s + 1e-3) - force(s - 1e-3)) / 2e-3;
    gas.evaluate(s);
    expect(gas.rateNPerMm).toBeCloseTo(slope, 5);
  }
});
