import { anyMachine, plainCar } from '../../../tests/fixtures/machines.ts';
import { noContactDepartures, noDepartures, type ContactDepartures } from './departures.ts';
import { rest } from './rest.ts';
import type { Standing } from './standing.ts';

const car = plainCar();

/** How much further in each wheel stands with something departing at the front left. */
function sinks(off: Partial<ContactDepartures>, standing?: Standing): number[] {
  const departures = {
    ...noDepartures(car),
    contacts: car.contacts.map((_, i) => ({ ...noContactDepartures, ...(i === 0 ? off : {}) })),
  };
  const plain = rest(car).travelMm;
  return rest(car, standing, departures).travelMm.map((mm, i) => mm - (plain[i] as number));
}

test('what is off at one corner shows there, by its closed form on two springs in a row', () => {
  // A stiffer spring carries the same load on less of itself; the body leans a little, so it is not quite that.
  const { travelMm, padsN } = rest(car);
  const springN = (padsN[0] as number) - 30 * 9.80665;
  const [stiffer = NaN] = sinks({ springBy: 0.1 });
  expect(stiffer).toBeLessThan(-0.6 * (springN / 30) * (1 - 1 / 1.1));
  expect(stiffer).toBeGreaterThan(-1.05 * (springN / 30) * (1 - 1 / 1.1));
  // 10 mm of travel at the wheel are 10 mm at a spring of ratio one.
  expect(sinks({ preloadByMm: 10 })[0]).toBeCloseTo(sinks({}, { seatsBy: [10] })[0] as number, 6);
  expect(sinks({ frictionN: 500 })[0]).toBeCloseTo(0, 6);
  expect(sinks({}, { heldN: [300] })[0]).toBeLessThan(-5);
  expect(sinks({ bushNPerMm: 10, bushAtMm: travelMm[0] as number })[0]).toBeCloseTo(0, 5);
  expect(sinks({ bushNPerMm: 10, bushAtMm: 0 })[0]).toBeLessThan(-5);
  // A higher floor under one wheel presses it in, and its diagonal with it.
  const [lf = NaN, rf = NaN, lr = NaN, rr = NaN] = sinks({ floorMm: 20 });
  expect([lf > 2, rf < -2, lr < -2, rr > 2]).toEqual([true, true, true, true]);
  // A ratio further by a share, and one bent off its map: 150 of 200 mm are three quarters of the wave.
  expect(sinks({ ratioBy: 0.1 })[0]).toBeLessThan(-3);
  expect(Math.abs(sinks({ bendMm: 2 })[0] as number)).toBeGreaterThan(0.3);
});

test('a tyre that grows stiffer yields less', () => {
  const standing = (tyreGrows: number) =>
    rest(
      car,
      {},
      {
        ...noDepartures(car),
        contacts: car.contacts.map(() => ({ ...noContactDepartures, tyreGrows })),
      },
    );
  const [even, growing] = [standing(0), standing(0.2)];
  // 278 kg a wheel on 200 N/mm: d with 200 d (1 + 0.2 d / 20) as much as that.
  const n = 280 * 9.80665;
  const d = (-1 + Math.sqrt(1 + (4 * 0.01 * n) / 200)) / (2 * 0.01);
  const yields = (one: typeof even) => -(one.heightMm[0] as number) - (one.travelMm[0] as number);
  expect(yields(even)).toBeCloseTo(n / 200, 6);
  expect(yields(growing)).toBeCloseTo(d, 6);
});

test('a body that twists answers one seat less across, and a hidden bar holds it', () => {
  const lift = (departures = noDepartures(car)) => {
    const [a, b] = [{}, { seatsBy: [20] }].map((standing) => rest(car, standing, departures).heightMm);
    return (b as number[]).map((mm, i) => mm - ((a as number[])[i] as number));
  };
  const rigid = lift();
  expect(rigid[0]).toBeCloseTo(15, 0);
  expect(rigid[3]).toBeCloseTo(-5, 0);
  const soft = lift({ ...noDepartures(car), twistNPerMm: 200 });
  expect(soft[0]).toBeGreaterThan((rigid[0] as number) + 1);
  expect(soft[3]).toBeGreaterThan((rigid[3] as number) + 1);
  const bar = { between: ['LF', 'RF'] as const, rateNPerMm: 60, offsetMm: 0, hooked: true };
  expect(lift({ ...noDepartures(car), bars: [bar] })[0]).toBeLessThan((rigid[0] as number) - 1);
});

test('every departure of a machine with many parts still comes to rest, the same each time', () => {
  for (let seed = 0; seed < 20; seed++) {
    const machine = anyMachine(seed);
    const contacts = machine.contacts.map((_, i) => ({
      ...noContactDepartures,
      ratioBy: 0.05 * (i - 1),
      bendMm: 1,
      springBy: 0.03,
      springGrows: 0.05,
      tyreGrows: 0.1,
      floorMm: 3 * i,
    }));
    const departures = { ...noDepartures(machine), contacts, twistNPerMm: 400 };
    const { padsN } = rest(machine, {}, departures);
    const kg = [...machine.masses.map((one) => one.kg), ...machine.contacts.map((one) => one.unsprungKg)];
    const weight = 9.80665 * kg.reduce((sum, one) => sum + one, 0);
    expect(padsN.reduce((sum, n) => sum + n, 0) / weight).toBeCloseTo(1, 5);
  }
});
