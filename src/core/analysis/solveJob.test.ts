import { blankDocument } from '../document/create.ts';
import type { JobDocument } from '../document/types.ts';
import { add, factEntry, heights, plainDocument, record, settled } from '../../../tests/fixtures/records.ts';
import { solveJob, type SolvedCase } from './solveJob.ts';

const solved = (...of: Parameters<typeof solveJob>): SolvedCase[] => {
  const result = solveJob(...of);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value;
};

const weighed = (edit: (document: JobDocument) => void = () => undefined) =>
  plainDocument((document) => {
    document.machine.massKg = 1200;
    document.machine.frontShare = 0.6;
    edit(document);
  });

test('what stands on the pads is what the machine weighs, shared as was said', () => {
  const [one] = solved(add(record(weighed()), settled(0), ...heights(0, 375)));
  expect(one?.converged).toBe(true);
  expect(one?.totals.totalKg).toBeCloseTo(1200, 0);
  expect(one?.totals.front).toBeCloseTo(0.6, 2);
  expect(one?.totals.left).toBeCloseTo(0.5, 3);
  expect(one?.totals.crossRfLr).toBeCloseTo(0.5, 3);
  const kg = one?.corners.map(({ padLoadKg }) => padLoadKg) ?? [];
  expect(kg.reduce((sum, each) => sum + each, 0)).toBeCloseTo(one?.totals.totalKg ?? NaN, 9);
  expect(one?.corners.every(({ heightMm }) => Math.abs((heightMm ?? NaN) - 375) < 1)).toBe(true);
});

test('a load ahead and to the left of the middle shows in its own case alone', () => {
  const document = weighed((one) => {
    one.cases = ['empty', 'with the winch'];
    one.loads = [{ name: 'winch', kg: 60, xMm: 1500, yMm: 300, aboard: [false, true] }];
  });
  const cases = solved(add(record(document), settled(0), ...heights(0, 375)));
  expect(cases.map(({ loadCase }) => loadCase)).toEqual(['empty', 'with the winch']);
  const [empty, full] = cases.map(({ totals }) => totals);
  expect((full?.totalKg ?? NaN) - (empty?.totalKg ?? NaN)).toBeCloseTo(60, 1);
  expect(full?.front).toBeGreaterThan(empty?.front ?? NaN);
  expect(full?.left).toBeGreaterThan(empty?.left ?? NaN);
});

test('a corner that was not read has no height; read in sag it has one', () => {
  const [one] = solved(add(record(weighed()), settled(0), ...heights(0, 375).slice(0, 3)));
  expect(one?.corners.map(({ heightMm }) => heightMm === null)).toEqual([false, false, false, true]);
});

test('two wheels have no cross weight and no left', () => {
  const document = blankDocument('motorcycle', 'Knot');
  const job = add(
    record(document),
    settled(0),
    ...(['FW', 'RW'] as const).map((corner) => factEntry({ kind: 'height', corner, mm: 600 })),
  );
  const [one] = solved(job);
  expect(one?.totals.crossRfLr).toBeNull();
  expect(one?.totals.left).toBe(0);
  expect(one?.corners).toHaveLength(2);
});

test('what is fitted and contradicts itself is told by its place', () => {
  const document = weighed((one) => {
    Object.assign(one.corners.LF, { ratioFrom: { kind: 'table', rows: [[0, 0], [50, 30], [40, 35]] } }); // oxfmt-ignore
  });
  const result = solveJob(add(record(document), ...heights(0, 375)));
  expect(result.ok ? [] : result.faults.map(({ path }) => path)).toEqual([
    expect.stringMatching(/^corners\.LF\.ratioFrom/),
  ]);
});
