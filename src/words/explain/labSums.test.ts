import type { Sum } from './types.ts';
import { placeRing } from '#core/lab/rings.ts';
import { benchOf, plainSetup, type Bench, type LabSetup } from '#core/lab/setup.ts';
import { blankSpring } from '#core/document/spring.ts';
import {
  bottomingSum,
  coilSpaceSum,
  dropSum,
  frequencySum,
  restSum,
  takeoverSum,
  wheelRateSum,
} from './labSums.ts';

const must = (setup: LabSetup): Bench => {
  const made = benchOf(setup);
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value;
};
const put = (sum: Sum | null) =>
  Object.fromEntries((sum?.inputs ?? []).map(({ symbol, value }) => [symbol, value])) as Record<
    string,
    number
  >;
const got = (sum: Sum | null) => sum?.result.value ?? NaN;
const of = (inputs: Record<string, number>, name: string) => inputs[name] ?? NaN;

const rising = must({ ...plainSetup, ratio: { kind: 'constant', ratio: 0.7, rise: 0.2 } });

test('the figures put in give the result by the formula that stands beside them', () => {
  const at = put(restSum(rising));
  // The stop is not touched there and there is no gas: F · MR is the weight.
  expect(of(at, 'F') * of(at, 'MR')).toBeCloseTo(of(at, 'W'), 4);
  const rate = put(wheelRateSum(rising));
  expect(of(rate, 'k MR²') + of(rate, 'rest')).toBeCloseTo(got(wheelRateSum(rising)), 9);
  // What is left is F dMR/dz, the ratio growing by 0.7 · 0.2 over 200 mm.
  expect(of(rate, 'rest')).toBeCloseTo((of(rate, 'F') * 0.7 * 0.2) / 200, 6);
  const f = put(frequencySum(rising));
  expect(Math.sqrt((1000 * of(f, 'K')) / of(f, 'm')) / (2 * Math.PI)).toBeCloseTo(
    got(frequencySum(rising)),
    9,
  );
  const e = put(bottomingSum(rising));
  expect(of(e, 'U end') - of(e, 'U₀')).toBeCloseTo(got(bottomingSum(rising)), 9);
  const drop = put(dropSum(rising));
  expect((of(drop, 'U') * 1000) / (of(drop, 'm') * 9.80665) - of(drop, 'z end')).toBeCloseTo(
    got(dropSum(rising)),
    6,
  );
  const coil = put(coilSpaceSum(rising));
  expect(of(coil, 'L1') - of(coil, 'S1')).toBeCloseTo(got(coilSpaceSum(rising)), 9);
});

test('a ring’s sum goes from rest to where it takes over; without a ring there is none', () => {
  const coil = (rateNPerMm: number) => ({ ...blankSpring, rateNPerMm, freeLengthMm: 300, solidLengthMm: 80 });
  const dual: LabSetup = {
    ...plainSetup,
    stop: null,
    springs: [coil(90), coil(60)],
    rings: [{ after: 0, limitMm: 0, on: 'seat' }],
  };
  const bench = must(placeRing(must(dual), 0, { by: 'gap', mm: 12 }));
  const inputs = put(takeoverSum(bench));
  expect(of(inputs, 'g')).toBeCloseTo(12, 6);
  expect(of(inputs, 'Δ')).toBeCloseTo((12 * (1 + 90 / 60)) / 0.75, 5);
  expect(of(inputs, 'z₀') + of(inputs, 'Δ')).toBeCloseTo(got(takeoverSum(bench)), 9);
  expect(takeoverSum(rising)).toBeNull();
});

test('springs that are solid first tell the travel that is missing', () => {
  const short = must({
    ...plainSetup,
    stop: null,
    springs: [{ ...blankSpring, rateNPerMm: 50, freeLengthMm: 200, solidLengthMm: 80 }],
  });
  // 120 mm to solid, 10 of them preload: 110 / 0.75 of 200.
  expect(got(coilSpaceSum(short))).toBeCloseTo(200 - 110 / 0.75, 6);
  expect(coilSpaceSum(must({ ...plainSetup, springs: [{ ...blankSpring, rateNPerMm: 50 }] }))).toBeNull();
});
