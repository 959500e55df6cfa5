import { seededUniform, standardNormal } from '../numerics/random.ts';
import type { GaugeReading } from './line.ts';
import { readPlainLine } from './plainLine.ts';
import { InstrumentWatch } from './watch.ts';

const reading = (value: number, change: Partial<GaugeReading> = {}): GaugeReading => ({
  name: 'probe',
  value,
  kind: 'length',
  unit: 'mm',
  steady: null,
  battery: null,
  sent: false,
  ...change,
});

/** Streams ten lines a second. */
function stream(watch: InstrumentWatch, from: number, seconds: number, value: (t: number) => number, change: Partial<GaugeReading> = {}) {
  const count = Math.round(seconds * 10);
  for (let k = 0; k < count; k++) watch.take(reading(value(from + k / 10), change), from + k / 10);
  return from + (count - 1) / 10;
} // oxfmt-ignore

const noise = (sd: number, seed = 5) => {
  const uniform = seededUniform(seed);
  return () => sd * standardNormal(uniform);
};

test('it stands once it has stood for most of a second, and gives the mean of that', () => {
  const watch = new InstrumentWatch();
  expect(watch.look(0)).toBe(null);
  let now = stream(watch, 0, 2, (t) => 300 + 40 * t);
  expect(watch.look(now)?.steady).toBe(false);
  const shaky = noise(0.05);
  now = stream(watch, now + 0.1, 0.4, () => 380 + shaky());
  expect(watch.look(now)?.steady).toBe(false);
  now = stream(watch, now + 0.1, 1, () => 380 + shaky());
  const stood = watch.look(now);
  expect(stood).toMatchObject({ steady: true, noise: null, silent: false });
  expect(stood?.value).toBeCloseTo(380, 1);
});

test('what the instrument itself says of standing counts', () => {
  const watch = new InstrumentWatch();
  const now = stream(watch, 0, 1, (t) => 300 + 40 * t, { steady: true });
  expect(watch.look(now)?.steady).toBe(true);
});

test('noise is told, and movement is not taken for it', () => {
  const rough = noise(1);
  const watch = new InstrumentWatch();
  const now = stream(watch, 0, 3, () => 350 + rough());
  const seen = watch.look(now);
  expect(seen?.steady).toBe(false);
  expect(seen?.noise).toBeGreaterThan(0.6);
  expect(seen?.noise).toBeLessThan(1.5);
  const moving = new InstrumentWatch();
  const end = stream(moving, 0, 3, (t) => 300 + 30 * t);
  expect(moving.look(end)?.noise).toBe(null);
});

test('one that drops out is silent, and never steady, until it is back', () => {
  const watch = new InstrumentWatch();
  const now = stream(watch, 0, 2, () => 350);
  expect(watch.look(now + 1.9)).toMatchObject({ steady: true, silent: false });
  expect(watch.look(now + 2.1)).toMatchObject({ steady: false, silent: true });
  const later = stream(watch, now + 10, 0.2, () => 350);
  // What it said before it was gone does not count for standing.
  expect(watch.look(later)).toMatchObject({ steady: false, silent: false });
});

test('a zero that has gone is told by how much, and what is read is less the zero', () => {
  const watch = new InstrumentWatch();
  let now = stream(watch, 0, 2, () => 0.4);
  watch.setZero(now);
  expect(watch.look(now)?.value).toBeCloseTo(0, 9);
  expect(watch.look(now)?.drift).toBe(null);
  now = stream(watch, now + 0.1, 2, () => 70.4);
  expect(watch.look(now)?.value).toBeCloseTo(70, 6);
  now = stream(watch, now + 0.1, 2, () => 0.55);
  watch.setZero(now);
  expect(watch.look(now)?.drift).toBeCloseTo(0.15, 6);
});

test('another unit, and a battery that runs out, are told', () => {
  const watch = new InstrumentWatch();
  stream(watch, 0, 1, () => 50.8);
  const now = stream(watch, 1, 1, () => 50.8, { unit: 'in', battery: 0.1 });
  expect(watch.look(now)).toMatchObject({ unitChanged: { from: 'mm', to: 'in' }, batteryLow: true, steady: true });
}); // oxfmt-ignore

test('what stands for itself: a number, its unit, its sign; anything else is no reading', () => {
  const read = (text: string, unit = 'mm') => {
    const line = readPlainLine(text, 'caliper', unit);
    return line && [line.value, line.kind, line.sent];
  };
  expect(read('70.05')).toEqual([70.05, 'length', true]);
  expect(read('+0070,05 mm\r')).toEqual([70.05, 'length', true]);
  expect(read('-1.5"')).toEqual([-38.099999999999994, 'length', true]);
  expect(read('2.31 BAR')).toEqual([2.31, 'pressure', true]);
  expect(read('220', 'kPa')).toEqual([2.2, 'pressure', true]);
  expect(read('-1.25 °')).toEqual([-1.25, 'angle', true]);
  for (const text of ['', 'Err', '70.05.1', '12 furlong', '{"name":"x"}']) expect(read(text)).toBe(null);
  expect(read('{"name":"probe","unit":"cm","value":36,"steady":true}')).toEqual([360, 'length', false]);
});
