import fc from 'fast-check';
import { seededUniform } from '../numerics/random.ts';
import { answerFor } from '../planning/answer.ts';
import { add, fourCorners, must, record } from '../../../tests/fixtures/records.ts';
import { describePadCar, hidePadCar, padFacts, readPadCar } from '../../../tests/fixtures/padCar.ts';
import type { Situation } from './belief.ts';
import { drawValues } from './predict.ts';
import { parametersOf, unpack } from './parameters.ts';
import { moveOn, sensitivity, simulate } from './simulate.ts';

const document = describePadCar((one) => {
  one.loads = [{ name: 'ballast', kg: 80, xMm: -600, yMm: 200, aboard: [true, false] }];
  one.settlingMm = 6;
  one.bars.front = { rateNPerMm: 12, hooked: true, linkMm: null, linkPerWheel: null };
  fourCorners.forEach((id, i) => (one.corners[id].floorMm = [0, 3, -2, 4][i] ?? 0));
});
const answer = must(answerFor(add(record(document), ...padFacts(0, readPadCar(hidePadCar(4))))));
const { believed } = answer.machine;

const situation: fc.Arbitrary<Situation> = fc.record({
  seatsBy: fc.array(fc.double({ min: -15, max: 15, noNaN: true }), { minLength: 4, maxLength: 4 }),
  mountsMm: fc.constant([0, 0, 0, 0]),
  km: fc.constantFrom(0, 60, 3000),
  level: fc.constantFrom(true, undefined),
  aboard: fc.constantFrom(
    answer.now.aboard,
    answer.now.aboard.map(() => true),
    answer.now.aboard.map((_, k) => k % 2 === 0),
  ),
});

test('a machine moved on from where it rests comes to rest where one brought to rest anew does', () => {
  fc.assert(
    fc.property(situation, situation, fc.nat(1000), (from, to, seed) => {
      const values = drawValues(answer.fit, seededUniform(seed));
      const anew = simulate(believed, values, to);
      const moved = moveOn(simulate(believed, values, from), believed, values, to);
      expect([moved.converged, anew.converged]).toEqual([true, true]);
      anew.heights.forEach((mm, r) => expect(moved.heights[r]).toBeCloseTo(mm, 5));
      anew.travel.forEach((mm, i) => expect(moved.travel[i]).toBeCloseTo(mm, 5));
      anew.solver.pads.forEach((n, i) => expect(moved.solver.pads[i]).toBeCloseTo(n, 3));
    }),
    { numRuns: 60 },
  );
});

test('friction is that of the machine as it stands, however its masses were written down', () => {
  const values = drawValues(answer.fit, seededUniform(3));
  values.friction[0] = [4, 4, -4, 4];
  const { machine } = believed;
  const doubled = {
    ...believed,
    machine: { ...machine, masses: machine.masses.map((mass) => ({ ...mass, kg: 2 * mass.kg })) },
  };
  const halved = { ...values, massScales: machine.masses.map((_, k) => (values.massScales[k] ?? 1) / 2) };
  const [one, other] = [simulate(believed, values, answer.now, 0), simulate(doubled, halved, answer.now, 0)];
  one.travel.forEach((mm, i) => expect(other.travel[i]).toBeCloseTo(mm, 6));
  // Held deeper than without by about as much as was asked.
  const free = simulate(believed, values, answer.now);
  expect((one.travel[0] ?? 0) - (free.travel[0] ?? 0)).toBeGreaterThan(1);
});

describe('how heights, travels and pads change with what is not known', () => {
  const spread = fc.record({
    mounts: fc.array(fc.double({ min: -12, max: 12, noNaN: true }), { minLength: 4, maxLength: 4 }),
    follows: fc.constantFrom('body' as const, 'travel' as const, 'damper' as const),
    seed: fc.nat(1000),
  });

  test('is what differences of the machine at rest say, lower mounts screwed out or in included', () => {
    fc.assert(
      fc.property(spread, ({ mounts, follows, seed }) => {
        const here = {
          ...believed,
          references: believed.references.map((one) => ({ ...one, follows })),
        };
        const parameters = parametersOf(here, 1);
        const at: Situation = { ...answer.now, mountsMm: mounts };
        const uniform = seededUniform(seed);
        const x = Float64Array.from(parameters, () => 0.3 * (uniform() - 0.5));
        const come = (shift: number, k: number) =>
          simulate(
            here,
            unpack(
              here,
              parameters,
              x.map((one, j) => (j === k ? one + shift : one)),
            ),
            at,
          );
        const outcome = come(0, 0);
        const slopes = sensitivity(here, parameters, unpack(here, parameters, x), outcome, at);
        parameters.forEach(({ kind }, k) => {
          // Growth of a ratio over the travel moves full droop by a second-order amount that is left out.
          if (kind === 'friction' || kind === 'axle-rise') return;
          const [up, down] = [come(1e-4, k), come(-1e-4, k)];
          const slope = (of: (one: typeof up) => number) => (of(up) - of(down)) / 2e-4;
          for (let i = 0; i < 4; i++) {
            const row = i * parameters.length + k;
            expect(slopes.heights[row]).toBeCloseTo(
              slope(({ heights }) => heights[i] ?? 0),
              2,
            );
            expect(slopes.travel[row]).toBeCloseTo(
              slope(({ travel }) => travel[i] ?? 0),
              2,
            );
            expect((slopes.pads[row] ?? 0) / 100).toBeCloseTo(
              slope(({ solver }) => solver.pads[i] ?? 0) / 100,
              2,
            );
          }
        });
      }),
      { numRuns: 12 },
    );
  });
});
