import { blankBar } from '../document/create.ts';
import { machineOf, situationOf } from './believed.ts';
import { blankSpring } from '../document/spring.ts';
import type { JobDocument } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import { fourCorners, measured, must, plainDocument } from '../../../tests/fixtures/records.ts';
import { fit } from './fit.ts';
import { parametersOf, unpack } from './parameters.ts';
import { predict } from './predict.ts';
import { sensitivity, simulate } from './simulate.ts';

const weighed = (kg: readonly number[] | null): JobDocument =>
  plainDocument((document) => {
    document.bars.front = blankBar(14, true);
    fourCorners.forEach((id, i) =>
      Object.assign(document.corners[id], {
        springs: [{ ...blankSpring, name: 'main', rateNPerMm: 100 }],
        preloadMm: 5,
        loadKg: kg?.[i] ?? null,
      }),
    );
  });

test('derivatives of pad loads by every unknown are those of differences', () => {
  const machine = machineOf(weighed([262, 238, 240, 260]), fourCorners);
  if (!machine.ok) throw new Error('expected a sound machine');
  const { believed } = machine.value;
  const parameters = parametersOf(believed, 1);
  const situation = situationOf(machine.value, [2, 0, -1, 0], [0, 0, 0, 0], undefined, 0);
  const at = (x: Float64Array) => simulate(believed, unpack(believed, parameters, x), situation, 0);
  const zero = new Float64Array(parameters.length);
  const values = unpack(believed, parameters, zero);
  const { pads } = sensitivity(believed, parameters, values, at(zero), situation, 0);
  const h = 1e-3;
  parameters.forEach((parameter, k) => {
    const [up, down] = [h, -h].map((step) => {
      const x = zero.slice();
      x[k] = step;
      return at(x).solver.pads;
    });
    fourCorners.forEach((_, i) => {
      const difference = ((up?.[i] ?? 0) - (down?.[i] ?? 0)) / (2 * h);
      expect({ kind: parameter.kind, i, n: pads[i * parameters.length + k] }).toEqual({
        kind: parameter.kind,
        i,
        n: expect.closeTo(difference, 1),
      });
    });
  });
});

test('wheels weighed unevenly are borne out: the diagonal is in the preloads, not in the masses', () => {
  const uneven = must(answerFor(measured(365, weighed([262, 238, 240, 260]))));
  const even = must(answerFor(measured(365, weighed([250, 250, 250, 250]))));
  expect(Math.abs((uneven.cross?.now ?? 0) - 0.478)).toBeLessThan(0.004);
  expect(Math.abs((even.cross?.now ?? 0) - 0.5)).toBeLessThan(1e-3);
  const unweighed = must(answerFor(measured(365, weighed(null))));
  expect(Math.abs((unweighed.cross?.now ?? 0) - 0.5)).toBeLessThan(1e-3);
});

test('heights and travels together spread as each does alone', () => {
  const answer = must(answerFor(measured(365, weighed(null))));
  const learnt = fit(answer.machine.believed, []);
  const alone = predict(learnt, answer.now);
  const together = alone.together();
  const n = alone.mean.length;
  expect(together).toHaveLength(n + alone.travel.length);
  alone.travelSd.forEach((sd, i) => expect(Math.sqrt(together[n + i]?.[n + i] ?? 0)).toBeCloseTo(sd, 9));
  alone.covariance.forEach((row, i) =>
    row.forEach((value, j) => expect(together[i]?.[j]).toBeCloseTo(value, 6)),
  );
  // A higher body uses less travel: hub-to-arch heights and travels are tied.
  expect(together[0]?.[n]).toBeLessThan(0);
});
