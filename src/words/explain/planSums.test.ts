import type { Sum } from './types.ts';
import { byCorner } from '#core/planning/answerShape.ts';
import {
  add,
  adjustment,
  factEntry,
  heights,
  measured,
  must,
  plainDocument,
  settled,
  someClearance,
} from '../../../tests/fixtures/records.ts';
import { blankSpring } from '#core/document/spring.ts';
import { alternativesFor } from '#core/judgement/alternatives.ts';
import { answerFor } from '#core/planning/answer.ts';
import { kitStart } from '#core/planning/kitStart.ts';
import { casesAfter } from '#core/stance/standing.ts';
import { caseHeightSum, clearanceSum, furthestSum, kitSum, lostSum } from './planSums.ts';

const inputOf = (sum: Sum | null, symbol: string) =>
  sum?.inputs.find((one) => one.symbol === symbol)?.value ?? NaN;

const loaded = () =>
  plainDocument((document) => {
    document.cases = ['as measured', 'as specified', 'loaded'];
    document.loads = [{ name: 'sacks', kg: 120, xMm: -1000, yMm: 0, aboard: [false, false, true] }];
    for (const corner of Object.values(document.corners))
      Object.assign(corner, { springs: [{ ...blankSpring, name: 'main', rateNPerMm: 60 }], preloadMm: 10 });
  });

test('the worst corner: the greatest of all distances between height after and target', () => {
  const answer = must(answerFor(measured(375)));
  const [plan] = alternativesFor(measured(375), answer);
  const sum = must(furthestSum(must(plan ?? null), 'This plan'));
  const off = answer.corners.map(({ specMm, spec }) => Math.abs(specMm - (spec.targetMm ?? 0)));
  expect(sum.result.value).toBeCloseTo(Math.max(...off), 9);
  expect(sum.inputs).toHaveLength(8);
  expect(furthestSum({ ...must(plan ?? null), offMm: null }, 'This plan')).toBeNull();
});

test('a height in a load case: the figure that the plan shows, with what is aboard and how the springs carry it', () => {
  const answer = must(answerFor(measured(375, loaded())));
  const last = must(casesAfter(answer).at(-1) ?? null);
  expect(last.loadCase).toBe('loaded');
  answer.corners.forEach((corner, r) => {
    const sum = caseHeightSum(answer, corner, last.index);
    expect(sum.result.value).toBeCloseTo(last.heightsMm[r] ?? NaN, 9);
    expect(inputOf(sum, 'm1')).toBe(120);
    // F(x) MR = W at rest.
    expect(inputOf(sum, 'F') * inputOf(sum, 'MR')).toBeCloseTo(inputOf(sum, 'W'), 1);
  });
  const rear = must(byCorner(answer).LR ?? null);
  const [empty] = casesAfter(answer);
  expect(last.heightsMm[2]).toBeLessThan((empty?.heightsMm[2] ?? 0) - 2);
  expect(caseHeightSum(answer, rear, 0).inputs.some(({ symbol }) => symbol === 'm1')).toBe(false);
});

test('what springs lost on the road opens to its km and spread; without a road there is nothing to open', () => {
  const still = must(answerFor(measured(365)));
  expect(lostSum(still, 'LF')).toBeNull();
  const driven = add(
    measured(365),
    ...(['LF', 'RF', 'LR', 'RR'] as const).map((id) => adjustment(1, id, 0)),
    factEntry({ kind: 'driven', round: 1, slot: 'km', km: 400 }),
    settled(1),
    ...heights(1, 361),
  );
  const sum = must(lostSum(must(answerFor(driven)), 'LF'));
  expect(inputOf(sum, 'km')).toBe(400);
  expect(sum.result.value).toBeGreaterThan(1);
  expect(sum.result.value).toBeLessThan(4.5);
});

test('a kit sheet’s reading: the move is the difference of readings, and the height that is told', () => {
  const answer = must(answerFor(measured(375)));
  const told = must(kitStart(answer, { LF: 84, RF: 84 }));
  const corner = must(byCorner(answer).LF ?? null);
  const sum = kitSum(corner, must(told.corners.LF ?? null));
  expect(inputOf(sum, 'c')).toBeCloseTo(-6, 9);
  expect(inputOf(sum, 'reading') - inputOf(sum, 'r')).toBeCloseTo(-6, 9);
  expect(sum.result.value).toBe(told.corners.LF?.heightMm);
  // Down by 6 mm of seat on ratio 0.5: both fronts together by about 12 at their axle.
  expect(sum.result.value - corner.nowMm).toBeLessThan(-8);
});

test('a clearance is carried along by what the body rose', () => {
  const sum = clearanceSum(
    { ...someClearance, name: 'axle to frame', nowMm: 92, perMm: 0.8, leastMm: 60 },
    'LR',
    -15,
  );
  expect(sum.result.value).toBeCloseTo(80, 12);
  expect(sum.title).toBe('axle to frame, rear left');
});
