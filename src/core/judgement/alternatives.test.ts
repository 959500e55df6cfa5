import { settlesBy } from './settlesBy.ts';
import type { JobDocument } from '../document/types.ts';
import { casesAfter } from '../stance/standing.ts';
import {
  add,
  fourCorners,
  heights,
  measured,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { alternativesFor, type Alternative } from './alternatives.ts';
import { answerFor } from '../planning/answer.ts';
import { kitStart } from '../planning/kitStart.ts';

const springs = (document: JobDocument) => {
  for (const id of fourCorners) {
    document.corners[id].loadKg = 320;
    document.corners[id].preloadMm = 30;
    document.corners[id].springs = [
      {
        name: 'coil',
        kind: 'linear',
        rateNPerMm: 60,
        rows: null,
        freeLengthMm: 280,
        solidLengthMm: 110,
        tender: false,
      },
    ];
  }
};

const waysOf = (edit: (document: JobDocument) => void, read: number | readonly number[] = 375) => {
  const job = measured(read, plainDocument(edit));
  const answer = answerFor(job);
  if (!answer) throw new Error('expected an answer');
  const ways = alternativesFor(job, answer);
  return {
    answer,
    ids: ways.map(({ way }) => way.id),
    way: (id: Alternative['way']['id']) => {
      const found = ways.find((one) => one.way.id === id);
      if (!found) throw new Error(`expected ${id} among ${ways.map((one) => one.way.id).join()}`);
      return found;
    },
  };
};

test('the plan stands first, and a way that comes to the same is not offered', () => {
  const { ids, way, answer } = waysOf(() => undefined);
  expect(ids).toEqual(['plan']);
  expect(way('plan').answer).toBe(answer);
});

test('sides alike is offered where they would differ, and moves them alike', () => {
  const { way } = waysOf(() => undefined, [378, 372, 375, 375]);
  const [lf, rf] = way('sides').answer.corners;
  expect(lf?.seatBy).toBe(rf?.seatBy);
  expect(way('sides').answer.chanceAfter).toBeLessThan(way('plan').answer.chanceAfter ?? 0);
});

test('with a lower mount there are two ways: the mount, which leaves the seat, or seats only', () => {
  const { way } = waysOf((document) => {
    for (const id of fourCorners)
      document.corners[id].mount = { pitchMm: 2, threadMm: 14, engagedMm: 40, leastMm: null, mostMm: 60 };
  });
  for (const { seatBy, mountMm } of way('plan').answer.corners) {
    expect(seatBy).toBe(0);
    expect(mountMm).toBeLessThan(0);
  }
  for (const { seatBy, mountMm } of way('seats').answer.corners) {
    expect(seatBy).toBeLessThan(0);
    expect(mountMm).toBe(0);
  }
});

test('the hard end can be left alone', () => {
  const { way } = waysOf((document) => {
    document.hardEnd = 'rear';
  });
  expect(way('easy').moved.every((id) => id.endsWith('F'))).toBe(true);
  expect(way('easy').offMm).toBeGreaterThan(way('plan').offMm ?? 0);
});

test('where thread runs out a longer or a stiffer spring is tried, and brings the height', () => {
  const { way } = waysOf((document) => {
    springs(document);
    for (const id of fourCorners) Object.assign(document.corners[id], { targetMm: 385 });
    // Collars read nothing yet: thread is told by them, so give them.
    for (const id of fourCorners) document.corners[id].collar.maxMm = 92;
  }, 365);
  expect(way('plan').offMm).toBeGreaterThan(5);
  for (const id of ['longer', 'stiffer'] as const) {
    expect(way(id).bought).toBe(true);
    expect(way(id).offMm).toBeLessThan(3);
  }
});

test('a spring longer by so much is a seat higher by so much; a stiffer one stands higher by what it closes less', () => {
  const job = measured(375, plainDocument(springs));
  const [plain, longer, stiffer] = [
    {},
    Object.fromEntries(fourCorners.map((id) => [id, { longerMm: 6, rateScale: 1 }])),
    Object.fromEntries(fourCorners.map((id) => [id, { longerMm: 0, rateScale: 1.1 }])),
  ].map((swaps) => answerFor(job, { swaps, planned: false }));
  if (!plain || !longer || !stiffer) throw new Error('expected answers');
  const raised = plain.predictAt({ ...plain.now, seatsBy: plain.now.seatsBy.map((mm) => mm + 6) }).mean;
  longer.corners.forEach(({ nowMm }, i) => expect(nowMm).toBeCloseTo(raised[i] ?? NaN, 6));
  // A load F closes a spring F/k: with a rate a tenth higher a load of 2600 to 2800 N at 60 N/mm closes it 4 mm less
  // at the spring, twice that at the wheel.
  stiffer.corners.forEach(({ nowMm }, i) => {
    const rise = nowMm - (plain.corners[i]?.nowMm ?? NaN);
    expect(rise).toBeGreaterThan(5);
    expect(rise).toBeLessThan(25);
  });
  // What was read before is still of the springs that were in.
  expect(longer.fit.rounds[0]?.travel).toEqual(plain.fit.rounds[0]?.travel);
});

test('a kit sheet says nothing of a corner whose collar was never read', () => {
  const answer = answerFor(add(record(plainDocument()), settled(0), ...heights(0, 375)));
  expect(answer && kitStart(answer, { LF: 80, RR: 80 })).toBeNull();
});

test('heights are told in each load case that differs', () => {
  const { answer } = waysOf((document) => {
    springs(document);
    document.cases = ['empty', 'as specified', 'loaded'];
    document.loads = [{ name: 'kit', kg: 150, xMm: -1000, yMm: 0, aboard: [false, false, true] }];
  });
  const cases = casesAfter(answer);
  expect(cases.map(({ loadCase }) => loadCase)).toEqual(['empty', 'loaded']);
  const [empty, loaded] = cases.map(({ heightsMm }) => heightsMm);
  expect((empty?.[2] ?? 0) - (loaded?.[2] ?? 0)).toBeGreaterThan(5);
});

test('a kit sheet’s start is reached by its readings, with the heights to expect there', () => {
  const { answer } = waysOf(() => undefined);
  const collar = answer.corners[0]?.collarMm ?? NaN;
  const told = kitStart(answer, { LF: collar - 10, RF: collar });
  expect(Object.keys(told?.corners ?? {})).toEqual(['LF', 'RF']);
  expect(told?.corners.LF).toMatchObject({ seatMm: -10, turns: -5, stopAtMm: collar - 10 });
  expect(told?.corners.RF?.seatMm).toBe(0);
  // One seat down by 10 at 2 mm a mm: three quarters of 20 at its own corner, a quarter of it gained across.
  expect(told?.corners.LF?.heightMm).toBeCloseTo(375 - 15, -1);
  expect(kitStart(answer, {})).toBeNull();
});

test('a machine that stands a little high all round may be left to settle', () => {
  const standing = (read: number | readonly number[]) => {
    const answer = answerFor(add(record(plainDocument()), settled(0), ...heights(0, read)));
    if (!answer) throw new Error('expected an answer');
    return settlesBy(answer);
  };
  expect(standing(368)).toBe(3);
  expect(standing(365)).toBeNull();
  expect(standing(380)).toBeNull();
  expect(standing([372, 372, 366, 366])).toBeNull();
});
