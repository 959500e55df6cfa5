import fc from 'fast-check';
import { reasonWords } from '#words/reasons.ts';
import { byCorner, type Answer } from './answerShape.ts';
import { blankDocument } from '#core/document/create.ts';
import { bodyProjection, warp } from '#core/machine/body.ts';
import type { JobDocument } from '#core/document/types.ts';
import {
  fourCorners,
  add,
  adjustment,
  factEntry,
  heights,
  measured,
  plainDocument,
  record,
  settled,
  must,
} from '../../../tests/fixtures/records.ts';
import { rest } from '../simulated/rest.ts';
import { frictionPrior, priors } from '../estimate/prior.ts';
import { misfitKey } from '../estimate/estimate.ts';
import { answerFor } from './answer.ts';
import { chanceWithin } from './chance.ts';
import { threadRoom } from '../adjusting/limits.ts';
import { blankSpring } from '../document/spring.ts';
import { samplePlan } from './sampled.ts';
import { planFact } from './tell.ts';

const answerTo = (values: number | readonly number[], edit?: (document: JobDocument) => void) =>
  must(answerFor(add(measured(values, plainDocument(edit)), ...looked)));
/** Somebody has looked into every corner that stands off by itself. */
const looked = fourCorners.map((corner) =>
  factEntry({
    kind: 'acknowledged',
    round: 0,
    corner: null,
    slot: misfitKey({ code: 'one-corner', corner, offMm: 0 }),
    remark: 'checked',
  }),
);
const mm = (value: number) => `${value.toFixed(1)} mm`;

describe('a rigid body on equal wheel rates', () => {
  const footprint = blankDocument('car', 'x').machine;

  test('one seat gives three quarters at home, a quarter next door and minus a quarter across', () => {
    const column = bodyProjection(footprint, fourCorners).map((row) => row[0]);
    expect(column).toEqual([0.75, 0.25, 0.25, -0.25].map((value) => expect.closeTo(value, 12)));
  });

  test('a plane is followed, a twist is not', () => {
    expect(warp(footprint, [10, 10, 4, 4])).toEqual([0, 0, 0, 0].map((value) => expect.closeTo(value, 9)));
    expect(warp(footprint, [8, 0, 0, 8])).toEqual([4, -4, -4, 4].map((value) => expect.closeTo(value, 9)));
  });
});

describe('plans worked by hand', () => {
  test('10 mm down on a 2:1 ratio is 5 mm of seat, 2 1/2 turns, stop at 85', () => {
    const answer = answerTo(375);
    for (const corner of answer.corners) {
      expect(corner.seatBy).toBeCloseTo(-5, 9);
      expect(corner.turns).toBeCloseTo(-2.5, 9);
      expect(corner.stopAtMm).toBeCloseTo(85, 9);
      expect(corner.predictedMm).toBeCloseTo(365, 1);
    }
    expect(answer.reasons).toEqual([]);
  });

  test('on a datum where the reading shrinks, the stop is above', () => {
    const answer = answerTo(375, (document) =>
      fourCorners.forEach((id) => (document.corners[id].collar.grows = 'against-seat')),
    );
    expect(answer.corners[0]?.stopAtMm).toBeCloseTo(95, 9);
  });

  test('the offset belongs to the specification: 375 read, 12 more meant, 387 now', () => {
    const answer = answerTo(375, (document) => (document.corners.LF.reference.offsetMm = 12));
    expect(byCorner(answer).LF?.nowMm).toBeCloseTo(387, 1);
  });

  test('one high corner: the twist is left alone and told', () => {
    const answer = answerTo([373, 365, 365, 365]);
    // d = (-8,0,0,0) seen as a plane: -6,-2,-2,+2; twist 2 mm, under a third of... tolerance 3 and friction 1.5 say it counts.
    const predicted = answer.corners.map(({ predictedMm }) => predictedMm - 365);
    [2, -2, -2, 2].forEach((expected, i) => expect(predicted[i]).toBeCloseTo(expected, 0));
    expect(answer.reasons).toEqual([{ kind: 'rigid-body', mm: expect.closeTo(2, 2) }]);
  });

  test('thread runs out: the seat stops at the limit, and the reason says what is missing', () => {
    const answer = answerTo(375, (document) => (document.corners.LF.collar.minMm = 88));
    const corner = byCorner(answer).LF;
    expect(corner?.stopAtMm).toBeGreaterThanOrEqual(88);
    const reason = answer.reasons.find(({ kind }) => kind === 'thread');
    expect(reason).toMatchObject({ corner: 'LF', neededMm: expect.closeTo(-5, 1), roomMm: -2 });
    expect(reasonWords(answer.reasons[0] as never, mm).what).toMatch(/5\.0 mm.*2\.0 mm of thread/);
  });

  test('equal sides: both fronts move alike, and the difference left is told', () => {
    const answer = answerTo([379, 371, 379, 371], (document) => {
      document.equalSides = true;
    });
    const { LF, RF, LR, RR } = byCorner(answer);
    expect(LF?.seatBy).toBe(RF?.seatBy);
    expect(LR?.seatBy).toBe(RR?.seatBy);
    expect(LF?.seatBy).toBeCloseTo(-5, 9);
    expect(answer.reasons.map(({ kind }) => kind)).toEqual(['tied', 'tied']);
  });

  test('a target above measured full droop is met with full droop', () => {
    const base = measured(
      375,
      plainDocument((document) => fourCorners.forEach((id) => (document.corners[id].targetMm = 405))),
    );
    const drooped = add(
      base,
      ...fourCorners.map((corner) => factEntry({ kind: 'travel-used', corner, slot: 'now', mm: 20 })),
    );
    const answer = must(answerFor(drooped));
    answer.corners.forEach((corner) => expect(corner.predictedMm).toBeCloseTo(395, 0));
    expect(answer.reasons[0]).toEqual({
      kind: 'droop',
      corner: 'LF',
      aboveMm: expect.closeTo(10, 0),
      guessed: false,
    });
  });

  test('a first answer needs one reading and one target', () => {
    const document = blankDocument('car', 'x');
    document.corners.LF.targetMm = 365;
    const one = add(record(document), factEntry({ kind: 'height', corner: 'LF', mm: 375 }));
    const answer = must(answerFor(one));
    // Of a car only the class is known: ratio 0.71, a little more where it rests since most grow, pitch 2: -10 mm is 7.4 of seat.
    expect(answer.corners[0]?.turns).toBeCloseTo(-3.75, 9);
    expect(answer.wholeBody).toBe(false);
    expect(answerFor(record(document))).toBeNull();
  });
});

describe('collar limits', () => {
  const spec = { readingSign: 1, collarMinMm: 60, collarMaxMm: 120 } as Parameters<typeof threadRoom>[0];
  test('room each way, by either habit of reading', () => {
    expect(threadRoom(spec, 90)).toEqual({ down: -30, up: 30 });
    expect(threadRoom({ ...spec, readingSign: -1 }, 110)).toEqual({ down: -10, up: 50 });
    expect(threadRoom(spec, null)).toEqual({ down: -Infinity, up: Infinity });
  });
  test('past the end there is no room left that way', () => {
    expect(threadRoom(spec, 58).down).toBeCloseTo(0);
    expect(threadRoom(spec, 58).up).toBe(62);
  });
});

describe('any plan', () => {
  const corner = fc.record({
    now: fc.integer({ min: 330, max: 420 }),
    target: fc.integer({ min: 330, max: 420 }),
    collar: fc.integer({ min: 62, max: 118 }),
    pitch: fc.constantFrom(1.5, 2, 2.5),
  });
  const machine = fc.record({
    corners: fc.tuple(corner, corner, corner, corner),
    front: fc.double({ min: 0.4, max: 1, noNaN: true }),
    rear: fc.double({ min: 0.4, max: 1, noNaN: true }),
    wheelbase: fc.integer({ min: 1800, max: 3600 }),
    trackRear: fc.integer({ min: 1200, max: 1800 }),
    tied: fc.boolean(),
  });
  type Case = typeof machine extends fc.Arbitrary<infer T> ? T : never;

  const answerCase = (made: Case): Answer => {
    const document = plainDocument((open) => {
      open.equalSides = made.tied;
      open.machine.wheelbaseMm = made.wheelbase;
      open.machine.trackRearMm = made.trackRear;
      fourCorners.forEach((id, i) => {
        open.corners[id].targetMm = made.corners[i]?.target ?? null;
        open.corners[id].pitchMm = made.corners[i]?.pitch ?? null;
        open.corners[id].ratio = i < 2 ? made.front : made.rear;
      });
    });
    const collarFacts = fourCorners.map((id, i) =>
      factEntry({ kind: 'collar', corner: id, slot: 'now', mm: made.corners[i]?.collar ?? 0 }),
    );
    return must(
      answerFor(
        add(
          record(document),
          ...heights(
            0,
            made.corners.map(({ now }) => now),
          ),
          ...collarFacts,
          ...looked,
        ),
      ),
    );
  };

  test('applied to the same machine, lands on its own prediction within 0.01 mm', () => {
    fc.assert(
      fc.property(machine, (made) => {
        const answer = answerCase(made);
        const { machine: believed } = answer.machine.believed;
        // Hub-to-arch heights lose what the wheel gains in travel.
        const [before, landed] = [
          rest(believed),
          rest(believed, { seatsBy: answer.corners.map(({ seatBy }) => seatBy) }),
        ];
        answer.corners.forEach((one, i) => {
          const rise = (before.travelMm[i] ?? NaN) - (landed.travelMm[i] ?? NaN);
          expect(Math.abs(one.nowMm + rise - one.predictedMm)).toBeLessThan(0.011);
        });
      }),
      { numRuns: 12 },
    );
  });

  test('never runs past a collar limit and tells whole eighths', () => {
    fc.assert(
      fc.property(machine, (made) => {
        for (const one of answerCase(made).corners) {
          expect(one.stopAtMm).toBeGreaterThanOrEqual(60 - 1e-9);
          expect(one.stopAtMm).toBeLessThanOrEqual(120 + 1e-9);
          if (!made.tied) expect(Math.abs(one.turns * 8 - Math.round(one.turns * 8))).toBeLessThan(1e-9);
        }
      }),
    );
  });

  test('more seat never lowers its own corner', () => {
    fc.assert(
      fc.property(machine, (made) => {
        const footprint = {
          class: 'car' as const,
          wheelbaseMm: made.wheelbase,
          trackFrontMm: null,
          trackRearMm: made.trackRear,
        };
        bodyProjection(footprint, fourCorners).forEach((row, i) => expect(row[i]).toBeGreaterThan(0));
      }),
    );
  });

  test('a higher target never asks for less seat at that corner', () => {
    fc.assert(
      fc.property(machine, fc.integer({ min: 0, max: 3 }), (any, index) => {
        // Where thread runs out the others make up for it, and may trade this corner for another.
        const made = {
          ...any,
          corners: any.corners.map((one) => ({
            ...one,
            collar: 90,
            target: one.now + ((one.target - one.now) % 12),
          })) as Case['corners'],
        };
        const raised = {
          ...made,
          tied: false,
          corners: made.corners.map((one, i) =>
            i === index ? { ...one, target: one.target + 8 } : one,
          ) as Case['corners'],
        };
        const [before, after] = [answerCase({ ...made, tied: false }), answerCase(raised)];
        // Whole eighths, and other corners spared or not for it, move it by up to a millimetre.
        expect((after.corners[index]?.predictedMm ?? 0) + 1).toBeGreaterThan(
          before.corners[index]?.predictedMm ?? 0,
        );
      }),
      { numRuns: 30 },
    );
  });
});

describe('chance and learning', () => {
  test('the chance of independent corners is the product of theirs', () => {
    // P(|z| <= 1) = 0.682689 for each of two corners.
    const heightsNow = {
      mean: [0, 0],
      covariance: [
        [9, 0],
        [0, 9],
      ],
    };
    expect(chanceWithin(heightsNow, [0, 0], 3)).toBeCloseTo(0.682689 ** 2, 1);
    expect(chanceWithin(heightsNow, [0, null], 3)).toBeCloseTo(0.682689, 1);
  });

  test('a tolerance never counts a miss in: a sure miss is 0 and a sure hit is 1', () => {
    const sure = { mean: [10], covariance: [[0]] };
    expect(chanceWithin(sure, [0], 3)).toBe(0);
    expect(chanceWithin(sure, [9], 3)).toBe(1);
  });

  const afterOneRound = (rose: number) =>
    must(
      answerFor(
        add(
          measured(375),
          ...fourCorners.map((id) => adjustment(1, id, -5)),
          settled(1),
          ...heights(1, 375 + rose),
        ),
      ),
    );

  test('the ratio learnt is the closed form of the scalar case', () => {
    // Four equal moves stay in the plane, so each axle sees two pairs of readings of variance 2v around 5 g.
    const v = 1 ** 2 + frictionPrior(200) ** 2;
    const [prior, sd0, move, seen] = [2, 2 * priors.statedRatio, 5, 9];
    const precision = 1 / sd0 ** 2 + (2 * move ** 2) / (2 * v);
    const mean = (prior / sd0 ** 2 + (2 * move * seen) / (2 * v)) / precision;
    const { now } = must(afterOneRound(-9).posterior.gains.LF ?? null);
    expect(Math.abs(now.mean - mean)).toBeLessThan(0.03);
    expect(Math.abs(now.sd - Math.sqrt(1 / precision))).toBeLessThan(0.01);
  });

  test('less movement than expected lowers the gain, and the next plan asks for more seat', () => {
    const answer = afterOneRound(-8);
    expect(must(answer.posterior.gains.LF ?? null).now.mean).toBeLessThan(2);
    const corner = answer.corners[0];
    expect(corner?.seatBy).toBeLessThan(0);
    expect(Math.abs(corner?.seatBy ?? 0)).toBeGreaterThan((corner?.nowMm ?? 0) / 2 - 365 / 2 - 0.25);
  });

  test('unsettled readings teach less', () => {
    const unsettled = must(
      answerFor(add(measured(375), ...fourCorners.map((id) => adjustment(1, id, -5)), ...heights(1, 367))),
    );
    const shift = (answer: Answer) => 2 - must(answer.posterior.gains.LF ?? null).now.mean;
    expect(shift(unsettled)).toBeGreaterThan(0);
    expect(shift(unsettled)).toBeLessThan(shift(afterOneRound(-8)));
  });

  test('more readings make a surer chance', () => {
    const once = measured(375);
    const thrice = add(once, ...heights(0, 375, '2'), ...heights(0, 375, '3'));
    expect(must(answerFor(thrice)).corners[0]?.nowSdMm).toBeLessThan(
      must(answerFor(once)).corners[0]?.nowSdMm ?? 0,
    );
  });

  test('the told plan keeps what was asked and expected', () => {
    const fact = planFact(answerTo(375));
    expect(fact.round).toBe(1);
    expect(fact.told.corners.LF).toMatchObject({ seatMm: -5, turns: -2.5, stopAtMm: 85 });
  });
});

test('alike corners get alike moves: no twist is used to shave the last tenth', () => {
  const answer = answerTo(375, (document) => {
    fourCorners.forEach((id) =>
      Object.assign(document.corners[id], { ratio: id.endsWith('F') ? 0.95 : 0.9 }),
    );
    document.corners.LR.targetMm = 366;
    document.corners.RR.targetMm = 366;
  });
  // 10 mm * 0.95 = 9.5 mm = 4 3/4 turns; 9 mm * 0.9 = 8.1 mm, nearest 4 turns.
  expect(answer.corners.map(({ turns }) => turns)).toEqual(
    [-4.75, -4.75, -4, -4].map((turns) => expect.closeTo(turns, 9)),
  );
});

describe('a plan tried on drawn machines', () => {
  const answer = answerTo([377, 371, 380, 374], (document) => {
    Object.assign(document.machine, { massKg: 1000, frontShare: 0.5 });
    for (const id of fourCorners)
      Object.assign(document.corners[id], {
        springs: [{ ...blankSpring, name: 'coil', rateNPerMm: 65 }],
        preloadMm: 20,
      });
  });
  const run = (count: number) => {
    const steps = samplePlan(answer, count);
    const progress: number[] = [];
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done) return { ...step.value, progress };
      progress.push(step.value);
    }
  };
  const sampled = run(1000);

  test('agrees with the straight chance to within the noise of both, and repeats', () => {
    expect(Math.abs(sampled.landed / sampled.count - (answer.chanceAfter ?? NaN))).toBeLessThan(0.06);
    expect(run(1000).landed).toBe(sampled.landed);
    expect(sampled.progress).toEqual(Array.from({ length: 20 }, (_, k) => 50 * (k + 1)));
  });

  test('its heights spread as the prediction says', () => {
    sampled.heights.forEach(({ low, middle, high }, i) => {
      const corner = answer.corners[i];
      expect(Math.abs(middle - (corner?.specMm ?? NaN))).toBeLessThan(0.3);
      // 5 to 95 in 100 is 3.29 standard deviations.
      expect((high - low) / (3.29 * (corner?.specSdMm ?? NaN))).toBeGreaterThan(0.85);
      expect((high - low) / (3.29 * (corner?.specSdMm ?? NaN))).toBeLessThan(1.15);
    });
  });
});
