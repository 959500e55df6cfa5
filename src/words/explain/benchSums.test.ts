import type { Sum } from './types.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { readSagTape, sagRig } from '../../../tests/fixtures/sagRig.ts';
import { add, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { blankSpring } from '#core/document/spring.ts';
import type { JobDocument } from '#core/document/types.ts';
import { answerFor } from '#core/planning/answer.ts';
import { attitudeOf } from '#core/sag/attitude.ts';
import { sagEnds, type SagEnd } from '#core/sag/bench.ts';
import { loweringBy } from '#core/sag/lowering.ts';
import { worthReading } from '#core/sag/worth.ts';
import { attitudeSum, bookSagSum, carriedSum, preloadSum, stepSum, tubesSum, worthSum } from './benchSums.ts';

const inputOf = (sum: Sum, symbol: string) => sum.inputs.find((one) => one.symbol === symbol)?.value ?? NaN;

function bench(edit: (document: JobDocument) => void = () => undefined): { answer: Answer; ends: SagEnd[] } {
  const rig = sagRig('road', 5);
  edit(rig.document);
  const facts = (['press', 'lift'] as const).flatMap((how) =>
    [true, false].flatMap((ridden) => {
      const read = readSagTape(rig, ridden, how);
      return rig.ids.map((corner, i) =>
        factEntry({
          kind: 'sag',
          corner,
          slot: `${ridden ? 'r1' : 'alone'}-${how}-1`,
          mm: read[i] ?? 0,
        }),
      );
    }),
  );
  const extended = rig.ids.map((corner, i) =>
    factEntry({ kind: 'sag', corner, slot: 'extended-1', mm: rig.extended[i] ?? 0 }),
  );
  const answer = must(answerFor(add(record(rig.document), ...extended, ...facts)));
  return { answer, ends: sagEnds(answer) };
}

test('what an end carries and its preload: forces and lengths belong to each other', () => {
  const { answer, ends } = bench();
  for (const end of ends) {
    const [alone, ridden] = [carriedSum(end, 'alone'), carriedSum(end, 'ridden')];
    expect(ridden.result.value).toBeGreaterThan(alone.result.value);
    expect(inputOf(ridden, 'Fw') / 9.80665).toBeCloseTo(ridden.result.value, 9);
    const preload = preloadSum(end);
    // One coil: its force is rate times preload.
    if (answer.document.corners[end.id].springs.length === 1)
      expect(preload.result.value).toBeCloseTo(inputOf(preload, 'k') * Math.max(inputOf(preload, 'p'), 0), 0);
  }
});

test('a step takes away about its length over the ratio, less where the ratio rises', () => {
  const { answer, ends } = bench();
  for (const end of ends) {
    const corner = must(answer.corners.find(({ id }) => id === end.id) ?? null);
    const stepMm = answer.document.corners[end.id].stepMm ?? corner.spec.pitchMm.value;
    const sum = stepSum(end);
    expect(sum.result.value).toBeGreaterThan(0.5 * stepMm * corner.gain);
    expect(sum.result.value).toBeLessThan(1.1 * stepMm * corner.gain);
  }
});

test('attitude and tubes by hand', () => {
  const { answer, ends } = bench();
  const now = must(attitudeOf(answer, ends, 'now'));
  const sum = attitudeSum(now);
  const byHand = Math.atan((inputOf(sum, 'z front') - inputOf(sum, 'z rear')) / inputOf(sum, 'L'));
  expect(sum.result.value).toBeCloseTo((byHand * 180) / Math.PI, 9);
  const lower = must(loweringBy(answer.document, 30));
  expect(tubesSum(lower).result.value).toBeCloseTo(30 / Math.cos((25 * Math.PI) / 180), 9);
});

test('another rider’s sag and what a reading would settle carry their spread', () => {
  expect(
    inputOf(bookSagSum('mate', { id: 'RW', sagMm: 33, sdMm: 2, leftN: 0, corner: { seatBy: 4 } }), 'c'),
  ).toBe(4);
  const { answer } = bench((document) => (document.corners.RW.springs = []));
  const [best] = worthReading(answer);
  const sum = worthSum(must(best ?? null));
  expect(sum.result.value).toBeLessThan(inputOf(sum, 'σ'));
});

test('fitted rate of springs one on another is that of the springs as named, each by itself', () => {
  const { ends } = bench((document) => {
    const [one] = document.corners.RW.springs;
    const rate = one?.rateNPerMm ?? 90;
    document.corners.RW.springs = [3, 1.5].map((times, k) => ({
      ...blankSpring,
      name: `part ${k + 1}`,
      rateNPerMm: times * rate,
    }));
  });
  const { ends: plain } = bench();
  const at = (list: SagEnd[]) => must(list.find(({ id }) => id === 'RW') ?? null).rate;
  // Three times and one and a half times in series are the one.
  expect(at(ends).nominalNPerMm).toBeCloseTo(at(plain).nominalNPerMm, 6);
});
