import fc from 'fast-check';
import { FaultList } from '../faults.ts';
import { faultWords } from '#words/faults.ts';
import { anyStack } from '../../../tests/fixtures/machines.ts';
import { seriesForce } from '../simulated/springForce.ts';
import { seededUniform } from '../numerics/random.ts';
import { AirSpring, checkAir } from './air.ts';
import { GasSpring } from './gas.ts';
import { checkStack, Stack, type RingDescription } from './stack.ts';
import { springCurve, type SpringDescription } from './spring.ts';
import { torsionArc, torsionAsStack, torsionRate } from './torsion.ts';

const coil = (rateNPerMm: number, solidMm: number | null = null): SpringDescription => ({
  kind: 'linear',
  rateNPerMm,
  solidMm,
});
const ring = (limitMm: number, on: 'body' | 'seat' = 'body', after = 0): RingDescription => ({
  after,
  limitMm,
  on,
});
const at = (stack: Stack, x: number) => {
  stack.evaluate(x);
  return [stack.forceN, stack.rateNPerMm];
};
const near = (value: number, relative = 1e-9) => ({
  asymmetricMatch: (other: number) => Math.abs(other - value) <= relative * Math.max(1, Math.abs(value)),
  toString: () => `near ${value}`,
});

test('a table goes on as it ended, and a spring off its label pushes that much more all along', () => {
  const rows = [[0, 0], [50, 2000], [90, 4400]] as const; // oxfmt-ignore
  const table: SpringDescription = { kind: 'table', rows, solidMm: null };
  expect(springCurve(table)).toMatchObject({ forceN: [0, 2000, 4400], lastRateNPerMm: 60 });
  expect(springCurve(table, 1.1)).toMatchObject({
    forceN: [0, near(2200), near(4840)],
    lastRateNPerMm: near(66),
  });
  expect(springCurve(coil(40, 80), 1.1)).toMatchObject({ lastRateNPerMm: near(44), solidMm: 80 });
});

test('stiffened by a factor, a table pushes so many times as hard all along', () => {
  const rows = [[0, 0], [50, 2000], [90, 4400]] as const; // oxfmt-ignore
  const stack = new Stack({ springs: [{ kind: 'table', rows, solidMm: null }], rings: [] });
  stack.stiffen(0, 1.25);
  stack.build(0);
  for (const [mm, n] of [
    [25, 1000],
    [50, 2000],
    [70, 3200],
    [100, 5000],
  ] as const) {
    stack.evaluate(mm);
    expect(stack.forceN).toEqual(near(1.25 * n));
  }
});

describe('springs in series, in closed form', () => {
  test('two coils: k1 k2 / (k1 + k2), then k2 alone once the ring holds the first', () => {
    const stack = new Stack({ springs: [coil(20), coil(60)], rings: [ring(45)] });
    expect(at(stack, 40)).toEqual([near(600), near(15)]);
    // The upper has 45 mm at F = 900, when the stack is at 45 + 15 = 60.
    expect(stack.events).toEqual([{ kind: 'ring', index: 0, compressionMm: near(60), forceN: near(900) }]);
    expect(at(stack, 70)).toEqual([near(900 + 600), near(60)]);
    expect(stack.springCompression(0, 70)).toEqual(near(45));
    expect(stack.springCompression(1, 70)).toEqual(near(25));
    expect(stack.compressionAt(1500)).toEqual(near(70));
  });

  test('a ring on the body comes p k1/k2 later in damper travel, one on the seat p earlier', () => {
    const p = 12;
    const knee = (on: 'body' | 'seat') => {
      const stack = new Stack({ springs: [coil(20), coil(60)], rings: [ring(45, on)] });
      stack.build(p);
      return (stack.events[0]?.compressionMm ?? 0) - p;
    };
    expect(knee('body')).toEqual(near(60 + (p * 20) / 60));
    expect(knee('seat')).toEqual(near(60 - p));
  });

  test('once a body ring holds, the seat is out of the loop: more preload changes no force', () => {
    const force = (p: number) => {
      const stack = new Stack({ springs: [coil(20), coil(60)], rings: [ring(45)] });
      stack.build(p);
      return at(stack, 90 + p)[0];
    };
    expect(force(15)).toEqual(near(force(0) as number));
  });

  test('the upper goes solid before the ring: told as solid, not as a crossover', () => {
    const stack = new Stack({ springs: [coil(20, 30), coil(60)], rings: [ring(45)] });
    expect(stack.events.map(({ kind, index }) => [kind, index])).toEqual([['solid', 0]]);
    expect(at(stack, 50)).toEqual([near(600 + 60 * 10), near(60)]);
  });

  test('tender, then main, then solid altogether', () => {
    const stack = new Stack({ springs: [{ ...coil(2, 50), tender: true }, coil(50, 90)], rings: [] });
    expect(stack.events.map(({ kind, index, forceN }) => [kind, index, forceN])).toEqual([
      ['solid', 0, near(100)],
      ['solid', 1, near(4500)],
    ]);
    expect(stack.solidMm).toEqual(near(140));
    expect(stack.compressionAt(9000)).toEqual(near(140));
  });

  test('three coils, the outer ring first: both inner springs are held together', () => {
    const stack = new Stack({
      springs: [coil(30), coil(40), coil(80)],
      rings: [ring(500, 'seat', 0), ring(35, 'seat', 1)],
    });
    // F/30 + F/40 = 35 at F = 600.
    expect(stack.events[0]).toEqual({ kind: 'ring', index: 1, compressionMm: near(42.5), forceN: near(600) });
    expect(at(stack, 52.5)).toEqual([near(600 + 800), near(80)]);
    expect(stack.events).toHaveLength(1);
  });

  test('a table is followed straight from row to row and on with its last rate', () => {
    const rows = [
      [10, 300],
      [20, 800],
    ] as const;
    const stack = new Stack({ springs: [{ kind: 'table', rows, solidMm: null }], rings: [] });
    expect(at(stack, 5)).toEqual([near(150), near(30)]);
    expect(at(stack, 30)).toEqual([near(1300), near(50)]);
    expect(stack.energy(20)).toEqual(near(1500 + 5500));
  });

  test('any stack: the force of a search for it, energy its integral, parts adding up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100000 }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.double({ min: -5, max: 20, noNaN: true }),
        (seed, share, preload) => {
          const description = anyStack(seededUniform(seed), 40, 150);
          const stack = new Stack(description);
          stack.build(preload);
          const x = Math.min(stack.solidMm * 0.999, 200) * share;
          stack.evaluate(x);
          const force = seriesForce(description, preload)(x);
          expect(Math.abs(stack.forceN - force)).toBeLessThan(1e-6 * Math.max(force, 1));
          const h = 1e-5;
          const slope = (stack.energy(x + h) - stack.energy(x - h)) / (2 * h);
          expect(Math.abs(slope - stack.forceN)).toBeLessThan(1e-3 * Math.max(force, 1));
          const parts = description.springs.map((_, i) => stack.springCompression(i, x));
          expect(parts.reduce((sum, one) => sum + one, 0)).toBeCloseTo(x, 9);
          expect(stack.compressionAt(stack.forceN)).toBeCloseTo(x, 6);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('gas and air', () => {
  const gas = { gaugeBar: 12, volumeCm3: 150, areaMm2: 154, exponent: 1.2 };

  test('a gas charge pushes with (P - Patm) A, in absolute pressure', () => {
    const spring = new GasSpring(gas);
    spring.evaluate(0);
    expect(spring.forceN).toEqual(near(12 * 0.1 * 154));
    spring.evaluate(100);
    const p = (13.01325 * (150000 / (150000 - 15400)) ** 1.2 - 1.01325) * 0.1;
    expect(spring.forceN).toEqual(near(p * 154));
  });

  test('isothermal energy is P V ln', () => {
    const spring = new GasSpring({ ...gas, exponent: 1 });
    const work = 1.301325 * 150000 * Math.log(150000 / 134600) - 0.101325 * 15400;
    expect(spring.energy(100)).toEqual(near(work));
  });

  test('the end-stroke chamber joins at its own pressure, without a jump', () => {
    const spring = new AirSpring({
      gaugeBar: 5,
      volumeCm3: 300,
      areaMm2: 900,
      exponent: 1,
      second: { gaugeBar: 11, volumeCm3: 100 },
    });
    // Isothermal: V = 300 * 6.01325 / 12.01325.
    expect(spring.pistonAtMm).toEqual(near((300000 * (1 - 6.01325 / 12.01325)) / 900));
    spring.evaluate(spring.pistonAtMm);
    expect(spring.forceN).toEqual(near(1.1 * 900, 1e-9));
    const rate = spring.rateNPerMm;
    spring.evaluate(spring.pistonAtMm - 1e-9);
    expect(spring.forceN).toEqual(near(1.1 * 900, 1e-6));
    expect(rate).toBeLessThan(spring.rateNPerMm / 1.5);
    const h = 1e-4;
    for (const s of [50, 250]) {
      spring.evaluate(s);
      expect((spring.energy(s + h) - spring.energy(s - h)) / (2 * h)).toEqual(near(spring.forceN, 1e-6));
    }
  });

  test('a stroke that uses up the volume is refused by name', () => {
    const faults = new FaultList();
    checkAir('air', { ...gas, second: { gaugeBar: 3, volumeCm3: NaN } }, 2000, faults);
    expect(faults.faults.map(({ path }) => path)).toEqual([
      'air.volumeCm3',
      'air.second.volumeCm3',
      'air.second.gaugeBar',
    ]);
  });
});

test('a torsion spring is the coil c (180/pi) / L^2 at its lever, a cam position its arc', () => {
  const torsion = { rateNMmPerDeg: 900, count: 2, leverMm: 150, camDegrees: [0, 10], mostDegrees: 120 };
  const { springs } = torsionAsStack(torsion);
  expect(springs[0]).toMatchObject({ rateNPerMm: near((1800 * 180) / Math.PI / 22500) });
  expect(torsionArc(torsion, 10)).toEqual(near((150 * Math.PI) / 18));
});

describe('bad stacks', () => {
  const wrong = (springs: SpringDescription[], rings: RingDescription[] = []) =>
    checkStack('stack', { springs, rings }).map(({ path }) => path);

  test('every fault is named by its place', () => {
    expect(wrong([coil(NaN)])).toEqual(['stack.springs[0].rateNPerMm']);
    expect(wrong([coil(30, -4)])).toEqual(['stack.springs[0].solidMm']);
    expect(wrong([])).toEqual(['stack.springs']);
    expect(
      wrong([coil(30), coil(Infinity)], [ring(10, 'body', 1), ring(NaN, 'body', 0), ring(9, 'seat', 0)]),
    ).toEqual([
      'stack.springs[1].rateNPerMm',
      'stack.rings[0].after',
      'stack.rings[1].limitMm',
      'stack.rings[2].after',
    ]);
    const rows = (list: unknown) =>
      wrong([{ kind: 'table', rows: list as [number, number][], solidMm: null }]);
    expect(
      rows([
        [0, 0],
        [10, 100],
        [9, 120],
      ]),
    ).toEqual(['stack.springs[0].rows[2][0]']);
    expect(
      rows([
        [0, 0],
        [10, 100],
        [20, 100],
      ]),
    ).toEqual(['stack.springs[0].rows[2][1]']);
    expect(rows([[0, 0], [10]])).toEqual(['stack.springs[0].rows[1]']);
    expect(rows(Array.from({ length: 1e6 }, (_, i) => [i, i]))).toEqual(['stack.springs[0].rows']);
  });

  test('in words: where, what it is, what would be right', () => {
    expect(faultWords(checkStack('stack', { springs: [coil(-3)], rings: [] }))).toBe(
      'stack.springs[0].rateNPerMm: got -3, expected a number above 0 and at most 100000',
    );
  });
});

test('a rate at the leg’s end and its rate per degree are one and the same', () => {
  // Two springs on a lever of 100: 20 N/mm is 20 x 100 squared N mm a radian, half on each.
  const rateNMmPerDeg = torsionRate({ count: 2, leverMm: 100 }, 20);
  expect(rateNMmPerDeg).toBeCloseTo((20 * 100 * 100 * Math.PI) / 180 / 2, 9);
  const torsion = { rateNMmPerDeg, count: 2 as const, leverMm: 100, camDegrees: [20], mostDegrees: null };
  expect(torsionAsStack(torsion).springs[0]).toMatchObject({ rateNPerMm: expect.closeTo(20, 9) });
});
