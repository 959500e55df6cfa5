import { analyse } from '../analysis/analyse.ts';
import { fittingFields } from '../document/fitting.ts';
import { againDocument } from '../book/again.ts';
import type { CornerDocument, Entry } from '../document/types.ts';
import {
  add,
  adjustment,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { stepPlace } from './steps.ts';

const grooved = (rest: Partial<CornerDocument>) =>
  plainDocument((one) => {
    for (const id of ['LF', 'RF'] as const)
      Object.assign(one.corners[id], fittingFields('grooves'), { stepMm: 9, targetMm: 460, ...rest });
    for (const id of ['LR', 'RR'] as const)
      Object.assign(one.corners[id], fittingFields('fixed'), { targetMm: null });
  });
const answered = (document: ReturnType<typeof grooved>, ...more: Entry[]) =>
  must(analyse(add(record(document), settled(0), ...heights(0, 380), ...more)).answer);
const stepsOf = (answer: ReturnType<typeof answered>) => answer.corners.slice(0, 2).map(({ steps }) => steps);

test('nobody is told to go further than there are grooves', () => {
  // 80 mm to go asks for four; of three with the lowest in use there are two left.
  expect(must(stepsOf(answered(grooved({})))[0] ?? null)).toBeGreaterThan(2);
  expect(stepsOf(answered(grooved({ stepCount: 3, stepNow: 1 })))).toEqual([2, 2]);
  expect(stepsOf(answered(grooved({ stepCount: 3, stepNow: 3 })))).toEqual([0, 0]);
  // One already gone up, one is left.
  const gone = [
    adjustment(1, 'LF', 9),
    adjustment(1, 'RF', 9),
    settled(1),
    ...heights(1, [393, 393, 380, 380]),
  ];
  expect(stepsOf(answered(grooved({ stepCount: 3, stepNow: 1 }), ...gone))).toEqual([1, 1]);
});

test('the groove in use follows what was moved, also into the next job', () => {
  const { corners } = grooved({ stepCount: 3, stepNow: 1 });
  expect([0, 9, 18].map((mm) => stepPlace(corners.LF, mm))).toEqual([1, 2, 3]);
  expect(stepPlace({ ...corners.LF, stepNow: null }, 9)).toBeNull();
  const gone = [adjustment(1, 'LF', 9), settled(1), ...heights(1, [393, 380, 380, 380])];
  const next = againDocument(
    answered(grooved({ stepCount: 3, stepNow: 1 }), ...gone), '00000000-0000-4000-9000-000000000001', 'Back',
  ); // oxfmt-ignore
  expect([next.corners.LF.stepNow, next.corners.RF.stepNow]).toEqual([2, 1]);
});

/** A truck’s rear leaves: one more lifts by what somebody knows of it. */
const leafed = (rest: Partial<CornerDocument>) =>
  plainDocument((one) => {
    for (const id of ['LR', 'RR'] as const)
      Object.assign(one.corners[id], fittingFields('leaf'), { targetMm: 415, ...rest });
    for (const id of ['LF', 'RF'] as const)
      Object.assign(one.corners[id], fittingFields('fixed'), { targetMm: null });
  });
const rear = (answer: ReturnType<typeof answered>) =>
  must(answer.corners.find(({ id }) => id === 'LR') ?? null);

test('of a leaf that lifts nobody knows how much no number is told; of a range, one with its spread', () => {
  expect(rear(answered(leafed({}))).steps ?? 0).toBe(0);
  const ranged = rear(answered(leafed({ stepMm: 24, stepMostMm: 54 })));
  expect(ranged.steps).toBe(1);
  // The middle of 24 and 54 as factors is 36; nine in ten of such leaves lie between.
  expect(ranged.riseMm).toBeGreaterThan(30);
  const known = rear(answered(leafed({ stepMm: 36 })));
  expect(ranged.predictedSdMm).toBeGreaterThan(known.predictedSdMm + 2);
});

test('once it is in, what it lifted is learnt of it', () => {
  const gone = [
    adjustment(1, 'LR', 36),
    adjustment(1, 'RR', 36),
    settled(1),
    ...heights(1, [380, 380, 407, 407]),
  ];
  const before = answered(leafed({ stepMm: 24, stepMostMm: 54 }));
  const after = answered(leafed({ stepMm: 24, stepMostMm: 54, targetMm: 440 }), ...gone);
  const scale = (one: typeof before) =>
    must(one.fit.values.stepScales[one.machine.corners.indexOf('LR')] ?? null);
  expect(scale(before)).toBeCloseTo(1, 6);
  expect(scale(after)).toBeLessThan(0.9);
  expect(after.doubt.suspicions).toEqual([]);
});
