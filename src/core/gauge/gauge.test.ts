import fc from 'fast-check';
import { seededUniform } from '../numerics/random.ts';
import { readGaugeLine } from './line.ts';
import { SimulatedGauge } from './simulated.ts';

const line = (parts: object) => readGaugeLine(JSON.stringify(parts));

describe('a line of an instrument', () => {
  test('lengths, weights and pressures come out in the units used inside', () => {
    const read = (unit: string, value: number) => {
      const made = line({ name: 'x', unit, value, steady: true });
      return made.ok ? [made.value.kind, made.value.value] : made.faults;
    };
    expect(read('mm', 512.4)).toEqual(['length', 512.4]);
    expect(read('in', 2)).toEqual(['length', 50.8]);
    expect(read('lb', 100)).toEqual(['mass', 45.359237]);
    expect((read('psi', 100) as [string, number])[1]).toBeCloseTo(6.8948, 4);
  });

  test('what is wrong is named, all of it', () => {
    const made = line({ name: ' ', unit: 'furlong', value: '12', steady: 1 });
    expect(made.ok ? [] : made.faults.map(({ path }) => path)).toEqual(['name', 'unit', 'value', 'steady']);
    expect(readGaugeLine('{"name"').ok).toBe(false);
    expect(readGaugeLine('null').ok).toBe(false);
  });

  test('no line whatever makes it throw, or gives a number that is none', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        const made = readGaugeLine(text);
        if (made.ok) expect(Number.isFinite(made.value.value)).toBe(true);
      }),
    );
  });
});

test('a simulated gauge moves to where the hand leaves it, says when it is steady, and sticks by its band', () => {
  const gauge = new SimulatedGauge('rear', seededUniform(3));
  gauge.set('r1-press', 0);
  expect(gauge.read(0.2).steady).toBe(false);
  // From 599 with nobody on towards 570, by e to the minus one in 0.6 s, but for what it trembles.
  expect(gauge.read(0.6).value).toBeCloseTo(570 + 29 / Math.E, 0);
  const later = new SimulatedGauge('rear', seededUniform(4));
  later.set('r1-press', 20);
  expect(later.read(20.6).value).toBeCloseTo(570 + 29 / Math.E, 0);
  const pressed = gauge.read(8);
  gauge.set('r1-lift', 10);
  const lifted = gauge.read(18);
  expect([pressed.steady, lifted.steady]).toEqual([true, true]);
  expect(lifted.value - pressed.value).toBeGreaterThan(5);
  gauge.set('extended', 20);
  expect(gauge.read(28).value).toBeGreaterThan(lifted.value + 20);
});
