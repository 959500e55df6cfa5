import type { ToldCorner, ToldPlan } from '#core/document/types.ts';
import { factEntry, plainDocument } from '../../../../tests/fixtures/records.ts';
import { countedMm, doneFact, goesBy, isCounted, isStepDone, workSteps, type WorkStep } from './workSteps.ts';

const corner = (more: Partial<ToldCorner>): ToldCorner => ({
  seatMm: 0,
  turns: 0,
  stopAtMm: null,
  heightMm: 360,
  heightSdMm: 2,
  ...more,
});
const told: ToldPlan = {
  chance: 0.9,
  corners: {
    LF: corner({ seatMm: -5, turns: -2.5, riseMm: -10 }),
    RF: corner({}),
    LR: corner({ seatMm: 4, turns: 2, mountMm: 3, ringsMm: [-6] }),
    RR: corner({ airByBar: -0.4, airToBar: 5.1 }),
  },
};
const steps = workSteps(plainDocument(), told);
const step = (id: string, kind: string) =>
  steps.find((one) => one.id === id && one.work.kind === kind) as WorkStep;

test('every part to be moved is a step, corner by corner; a corner left alone is none', () => {
  expect(steps.map(({ id, work }) => `${id} ${work.kind}`)).toEqual([
    'LF adjustment',
    'LR adjustment',
    'LR mount',
    'LR ring',
    'RR inflated',
  ]);
});

test('the harder end to reach comes first', () => {
  const document = plainDocument((one) => (one.hardEnd = 'rear'));
  expect(workSteps(document, told).map(({ id }) => id)).toEqual(['LR', 'LR', 'LR', 'RR', 'LF']);
});

test('a step goes by mm towards the spring, or by bar', () => {
  expect(goesBy(step('LF', 'adjustment').work)).toEqual({ isSeat: true, isMount: false, by: -5 });
  expect(goesBy(step('LR', 'mount').work)).toEqual({ isSeat: false, isMount: true, by: 3 });
  expect(goesBy(step('LR', 'ring').work)).toEqual({ isSeat: false, isMount: false, by: -6 });
  expect(goesBy(step('RR', 'inflated').work)).toEqual({ isSeat: true, isMount: false, by: -0.4 });
});

test('turns are counted of a seat on a thread alone, and go the way that was told', () => {
  expect(steps.map(isCounted)).toEqual([true, true, false, false, false]);
  const seat = step('LF', 'adjustment');
  expect(isCounted({ ...seat, asked: { ...seat.asked, camTo: 2 } })).toBe(false);
  expect(isCounted({ ...seat, asked: { ...seat.asked, steps: 3 } })).toBe(false);
  expect(countedMm(seat, 0, 2)).toBe(-5);
  expect(countedMm(seat, 12, 2)).toBe(-3);
  expect(countedMm(step('LR', 'adjustment'), 20, 2)).toBe(5);
  expect(countedMm(step('LR', 'mount'), 20, 2)).toBe(3);
});

test('what is done is kept in its own unit beside what was asked, and is done in that round alone', () => {
  const fact = doneFact(step('LF', 'adjustment'), 2, -4.5);
  expect(fact).toEqual({ kind: 'adjustment', round: 2, corner: 'LF', slot: 'done', mm: -4.5, askedMm: -5 });
  expect(doneFact(step('RR', 'inflated'), 2, 99)).toMatchObject({
    kind: 'inflated',
    bar: -0.4,
    askedBar: -0.4,
  });
  const entry = factEntry(fact);
  const facts = entry.type === 'fact' ? [entry] : [];
  const doneIn = (round: number) => steps.filter((one) => isStepDone(facts, one, round)).map(({ id }) => id);
  expect([doneIn(1), doneIn(2)]).toEqual([[], ['LF']]);
});
