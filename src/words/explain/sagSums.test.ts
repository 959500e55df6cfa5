import type { Sum } from './types.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import type { JobDocument } from '#core/document/types.ts';
import { add, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { readSagTape, sagRig } from '../../../tests/fixtures/sagRig.ts';
import { answerFor } from '#core/planning/answer.ts';
import { sagFigure } from '#core/figures/sagFigure.ts';
import { sagEnds, type SagEnd } from '#core/sag/bench.ts';
import { balanceOf } from '#core/scales/balance.ts';
import { frictionSum, neededSum, sagAfterSum, sagEstimateSum, sagSum } from './sagSums.ts';
import { effectSum, padsSum, shareSum } from './scaleSums.ts';

const inputOf = (sum: Sum | null, symbol: string) =>
  sum?.inputs.find((one) => one.symbol === symbol)?.value ?? NaN;

function bench(
  seed = 3,
  edit: (document: JobDocument) => void = () => undefined,
): { answer: Answer; ends: SagEnd[] } {
  const rig = sagRig('road', seed);
  edit(rig.document);
  const facts = [
    { slot: 'extended-1', read: rig.extended },
    ...(['press', 'lift'] as const).flatMap((how) => [
      { slot: `alone-${how}-1`, read: readSagTape(rig, false, how) },
      { slot: `r1-${how}-1`, read: readSagTape(rig, true, how) },
    ]),
  ].flatMap(({ slot, read }) =>
    rig.ids.map((corner, i) => factEntry({ kind: 'sag', round: 0, corner, slot, mm: read[i] ?? 0 })),
  );
  const answer = must(answerFor(add(record(rig.document), ...facts)));
  return { answer, ends: sagEnds(answer) };
}

describe('figures of the bench open to what is behind them', () => {
  test('a sag: extended less the middle of pressed and lifted, near what the whole machine makes of it', () => {
    const { answer, ends } = bench();
    const end = must(ends[1] ?? null);
    const sum = must(sagSum(answer, end, 'r1'));
    const plain = inputOf(sum, 'L1') - (inputOf(sum, 'L2') + inputOf(sum, 'L3')) / 2;
    expect(sum.title).toBe('Sag, owner on, rear wheel');
    // As it was read, whatever the model makes of it.
    expect(sum.result.value).toBeCloseTo(plain, 9);
    expect(must(sagSum(answer, end, 'alone')).title).toBe('Sag, nobody on, rear wheel');
    const estimate = sagEstimateSum(answer, end, 'r1');
    expect(Math.abs(plain - estimate.result.value)).toBeLessThan(3 * end.ridden.nowSdMm);
    expect(inputOf(estimate, 'W')).toBeCloseTo(end.ridden.kg * 9.80665, 6);
  });

  test('a sag to come: the figure that stands there, less by what the seat takes away', () => {
    const { answer, ends } = bench();
    for (const end of ends)
      for (const who of ['r1', 'alone']) {
        const sum = sagAfterSum(answer, end, who);
        const state = who === 'r1' ? end.ridden : end.alone;
        expect(sum.result.value).toBe(state.afterMm);
        const moved = inputOf(sum, 'c');
        if (Math.abs(moved) > 0.5)
          expect(Math.sign(inputOf(sum, 'z') - sum.result.value)).toBe(Math.sign(moved));
      }
  });

  test('a fork’s leg shows its sag; of another shaft only the ratio makes it the wheel’s, which is an estimate', () => {
    const { answer, ends } = bench();
    const [front, rear] = [must(ends[0] ?? null), must(ends[1] ?? null)];
    expect(sagFigure(answer, front, 'r1').measured).not.toBeNull();
    expect(sagFigure(answer, rear, 'r1').measured).not.toBeNull();
    const { answer: shaft, ends: on } = bench(3, (document) => {
      document.corners.RW.reference.kind = 'shaft';
    });
    expect(sagFigure(shaft, must(on[1] ?? null), 'r1').measured).toBeNull();
    expect(sagSum(shaft, must(on[1] ?? null), 'r1')).toBeNull();
  });

  test('the rate both sags ask for: its own two loads and places give it back', () => {
    const { answer, ends } = bench();
    const end = must(ends[1] ?? null);
    const sum = must(neededSum(answer, end));
    const map = answer.predictAt(answer.specifiedAfter).outcome.solver.corners[1];
    const at = (z: number) => map?.springAt(z) ?? NaN;
    const ratio = map?.meanRatio ?? NaN;
    const byHand =
      (inputOf(sum, 'W₁') - inputOf(sum, 'W₀')) / ratio / (at(inputOf(sum, 'z₁')) - at(inputOf(sum, 'z₀')));
    expect(sum.result.value / byHand).toBeCloseTo(1, 1);
    expect(neededSum(answer, { ...end, needed: null })).toBeNull();
  });

  test('a friction band is the widest of those that were read', () => {
    const { answer, ends } = bench();
    const sum = must(frictionSum(answer, must(ends[0] ?? null)));
    const bands = sum.inputs.filter(({ symbol }) => symbol === 'L3−L2').map(({ value }) => value);
    expect(bands).toHaveLength(2);
    expect(sum.result.value).toBe(Math.max(...bands));
    expect(frictionSum(answer, { ...must(ends[0] ?? null), friction: null })).toBeNull();
  });
});

describe('figures of the scales', () => {
  test('a share opens to its pads and their total', () => {
    const kg = { LF: 262, RF: 238, LR: 240, RR: 260 };
    const balance = must(balanceOf(Object.fromEntries(Object.entries(kg).map(([id, one]) => [id, [one]]))));
    const sum = shareSum({ title: 'Cross', formula: 'X = (RF + LR) / T', share: balance.cross }, balance, kg);
    expect((inputOf(sum, 'RF') + inputOf(sum, 'LR')) / inputOf(sum, 'T')).toBeCloseTo(sum.result.value, 12);
    expect(inputOf(sum, 'σ')).toBe(balance.cross.sd);
    // A percent to the tenth: what a share of so many in a hundred would hide.
    expect(sum.result.unit).toBe('percent');
  });

  test('total and front difference open to the pads they are of', () => {
    const kg = { LF: 262, RF: 238, LR: 240, RR: 260 };
    const balance = must(balanceOf({ LF: [262], RF: [238], LR: [240], RR: [260] }));
    const [total, front] = [padsSum('total', balance, kg), padsSum('front', balance, kg)];
    expect(total.inputs.reduce((sum, { value }) => sum + value, 0)).toBe(total.result.value);
    expect(inputOf(front, 'RF') - inputOf(front, 'LF')).toBe(front.result.value);
    expect(front.inputs).toHaveLength(2);
  });

  test('a turn’s effect opens to its pitch and the height it goes with', () => {
    const at = { id: 'RR' as const, heightMm: -0.6, heightSdMm: 0.1, padKg: 1.3, padSdKg: 0.2 };
    const sum = effectSum(
      { seat: 'LF', by: 'seat', way: 'thread', turnBy: 2, asSeatBy: 2, corners: [at] },
      at,
    );
    expect([inputOf(sum, 'p'), inputOf(sum, 'Δh'), sum.result.value]).toEqual([2, -0.6, 1.3]);
    expect(sum.title).toBe('One turn towards the spring, front left: weight rear right');
  });
});
