import { analyse } from '../analysis/analyse.ts';
import {
  add,
  adjustment,
  factEntry,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { aboardIn, caseWith, withLoad } from './loadCases.ts';

/** Two people over the middle, who are aboard for the targets, and tools behind, who never are. */
const loaded = plainDocument((one) => {
  one.toleranceMm = 5;
  one.loads = [
    { name: 'two people', kg: 160, xMm: 0, yMm: 0, aboard: [false, true] },
    { name: 'tools', kg: 60, xMm: -1300, yMm: 0, aboard: [false, false] },
  ];
  for (const corner of Object.values(one.corners)) corner.targetMm = 360;
});

test('a case is found by what is aboard in it, and made where there is none', () => {
  expect([0, 1].map((k) => aboardIn(loaded, k))).toEqual([
    [false, false],
    [true, false],
  ]);
  expect(must(caseWith(loaded, [true, false])).loadCase).toBe(1);
  expect(must(caseWith(loaded, [false, false])).loadCase).toBe(0);
  const made = must(caseWith(loaded, [true, true]));
  expect([made.loadCase, made.cases[2]]).toEqual([2, 'with two people, tools']);
  expect(made.loads.map(({ aboard }) => aboard)).toEqual([
    [false, true, true],
    [false, false, true],
  ]);
  const full = { loads: loaded.loads, cases: ['1', '2', '3', '4', '5', '6'] };
  expect(caseWith(full, [true, true])).toBeNull();
});

test('one more load is aboard nowhere but where the targets mean it', () => {
  const more = { name: 'winch', kg: 46, xMm: 1700, yMm: 0 };
  expect(withLoad(loaded, more, true)[2]).toEqual({ ...more, aboard: [false, true] });
  expect(withLoad(loaded, more, false)[2]?.aboard).toEqual([false, false]);
});

const aboard = (round: number, loadCase: number) =>
  factEntry({ kind: 'aboard', round, corner: null, slot: 'case', loadCase });

/** Everything 10 mm too high with nobody in it, turned down 10; then read with somebody in it. */
function after(read: number, ...more: ReturnType<typeof factEntry>[]) {
  const turned = (['LF', 'RF', 'LR', 'RR'] as const).map((id) => adjustment(1, id, -6));
  const one = analyse(
    add(record(loaded), settled(0), ...heights(0, 385), ...turned, ...more, settled(1), ...heights(1, read)),
  );
  return { ...one, answer: must(one.answer), doubt: must(one.answer).doubt };
}

test('a round read with other load aboard is held against what it should read with that', () => {
  // By the springs two people press this car down by so much:
  const { answer } = after(370);
  const sinksMm = must(answer.corners[0] ?? null).nowMm - must(answer.corners[0] ?? null).nowSpecMm;
  expect(sinksMm).toBeGreaterThan(8);
  // With them in it, it reads so much lower, and nothing seems wrong with it.
  const with2 = after(Math.round(370 - sinksMm), aboard(1, 1));
  expect(with2.doubt.suspicions).toEqual([]);
  const gainOf = (one: typeof answer) => one.corners[0]?.gain ?? NaN;
  expect(Math.abs(gainOf(with2.answer) - gainOf(answer))).toBeLessThan(0.15);
  // Not told of them, it would take the same reading for another ratio, or for something wrong.
  const untold = after(Math.round(370 - sinksMm));
  expect(untold.doubt.suspicions.length > 0 || Math.abs(gainOf(untold.answer) - gainOf(answer)) > 0.3).toBe(
    true,
  );
  expect(with2.state.rounds.map(({ loadCase }) => loadCase)).toEqual([0, 1]);
  // What it reads now is what the targets mean: nothing is added.
  const [corner] = with2.answer.corners;
  expect(corner?.nowSpecMm).toBeCloseTo(corner?.nowMm ?? NaN, 6);
});

test('who got in stays in, until somebody says otherwise', () => {
  const record1 = add(
    record(loaded),
    settled(0),
    ...heights(0, 385),
    aboard(1, 1),
    ...heights(1, 375),
    settled(2),
    ...heights(2, 375),
  );
  expect(analyse(record1).state.rounds.map(({ loadCase }) => loadCase)).toEqual([0, 1, 1]);
});
