import { whichKey } from '../document/which.ts';
import { questionWords } from '#words/questions.ts';
import type { MarginKind } from './index.ts';
import { someClearance } from '../../../tests/fixtures/records.ts';
import {
  fourCorners,
  add,
  factEntry,
  heights,
  measured,
  plainDocument,
  record,
  must,
} from '../../../tests/fixtures/records.ts';
import { blankSpring } from '../document/spring.ts';
import { questionHeight, questionTarget } from '../judgement/questions.ts';
import { readRounds } from '../estimate/rounds.ts';
import { answerFor } from '../planning/answer.ts';
import {
  chanceSum,
  gainSum,
  heightNowSum,
  predictedSum,
  seatMoveSum,
  stopAtSum,
  toldSum,
} from '#words/explain/cornerSums.ts';
import { marginSum } from '#words/explain/marginSum.ts';
import { marginsByCase, marginsFor, worstOfEachKind, type Margin } from './margins.ts';

const answerOf = (job: Parameters<typeof answerFor>[0]) => must(answerFor(job));
const find = (margins: readonly Margin[], kind: MarginKind, corner = 'LF') =>
  margins.find((margin) => margin.kind === kind && margin.corner === corner);

describe('what is left', () => {
  const known = add(
    measured(),
    ...fourCorners.map((corner) => factEntry({ kind: 'travel-used', corner, slot: 'now', mm: 80 })),
  );
  const margins = marginsFor(answerOf(known));

  test('coils that touch 16 mm above where it stands leave 16 mm of bump, and no stop is reached', () => {
    const bind = (solidLengthMm: number) =>
      marginsFor(
        answerOf(
          measured(
            365,
            plainDocument((document) => {
              Object.assign(document.machine, { massKg: 1000, frontShare: 0.5 });
              const spring = {
                ...blankSpring,
                name: 'main',
                rateNPerMm: 100,
                freeLengthMm: 180,
                solidLengthMm,
              };
              for (const id of fourCorners)
                Object.assign(document.corners[id], { preloadMm: 5, unsprungKg: 20, springs: [spring] });
            }),
          ),
        ),
      );
    const stands = find(bind(40), 'droop')?.leftMm ?? NaN;
    // 5 mm of preload, and half of the wheel's travel: the spring has so much less way to solid.
    const solidMm = 180 - 5 - (stands + 16) / 2;
    const bound = bind(solidMm);
    expect(find(bound, 'bump-metal')?.leftMm).toBeCloseTo(16, 0);
    expect(find(bound, 'bump-stop')).toBeUndefined();
    expect(find(bound, 'coil')?.state).toBe('short');
    expect(find(bind(40), 'bump-metal')?.leftMm).toBeCloseTo(200 - stands, 6);
    const metal = find(bound, 'bump-metal');
    if (!metal) throw new Error('expected a margin to metal');
    expect(marginSum(metal).inputs.map(({ name }) => name)).toContain('wheel travel where the coils touch');
  });

  test('thread is told in turns only where its pitch was given', () => {
    const guessed = plainDocument((document) =>
      fourCorners.forEach((id) => (document.corners[id].pitchMm = null)),
    );
    const thread = find(marginsFor(answerOf(measured(375, guessed))), 'thread-down');
    expect(thread).toMatchObject({ leftMm: expect.closeTo(25, 0), turns: null });
  });

  test('by hand: 90 to 85 on a thread from 60 to 120, 80 mm used of 200, 10 mm lower, stop takes 40', () => {
    expect(find(margins, 'thread-down')).toMatchObject({
      leftMm: expect.closeTo(25, 6),
      turns: expect.closeTo(12.5, 6),
      state: 'clear',
    });
    expect(find(margins, 'thread-up')).toMatchObject({ leftMm: expect.closeTo(35, 6) });
    expect(find(margins, 'droop')).toMatchObject({ leftMm: expect.closeTo(90, 0), assumed: false });
    expect(find(margins, 'bump-stop')).toMatchObject({ leftMm: expect.closeTo(70, 0) });
    expect(find(margins, 'bump-metal')).toMatchObject({ leftMm: expect.closeTo(110, 0), state: 'clear' });
    expect(find(margins, 'height')?.leftMm).toBeGreaterThan(2.8);
  });

  test('says what is assumed', () => {
    expect(find(marginsFor(answerOf(measured())), 'droop')?.assumed).toBe(true);
  });

  test('thread left as it was found is counted down by what is turned, with no collar read', () => {
    const left = plainDocument((document) => {
      document.corners.LF.collar = { ...document.corners.LF.collar, minMm: null, maxMm: null };
      document.corners.LF.threadUpMm = 8;
      fourCorners.forEach((id) => (document.corners[id].targetMm = 377));
    });
    const answer = answerOf(
      add(
        record(left),
        ...heights(0, 365),
        factEntry({ kind: 'settled', round: 0, slot: 'how', how: 'rolled' }),
      ),
    );
    const margin = find(marginsFor(answer), 'thread-up');
    const seatBy = answer.corners.find(({ id }) => id === 'LF')?.seatBy ?? NaN;
    expect(seatBy).toBeGreaterThan(3);
    expect(margin?.leftMm).toBeCloseTo(8 - seatBy, 6);
  });

  test('a thread at its end is short and comes first', () => {
    const tight = measured(
      375,
      plainDocument((document) => (document.corners.RR.collar.minMm = 88)),
    );
    const sorted = marginsFor(answerOf(tight));
    expect(sorted[0]).toMatchObject({ state: 'short' });
    expect(find(sorted, 'thread-down', 'RR')).toMatchObject({ state: 'short', leftMm: expect.closeTo(0, 6) });
    const ranks = sorted.map(({ state }) => ['short', 'tight', 'clear'].indexOf(state));
    expect(ranks).toEqual([...ranks].sort());
  });

  test('one row a kind, the worst corner of each', () => {
    const rows = worstOfEachKind(margins);
    expect(new Set(rows.map(({ kind }) => kind)).size).toBe(rows.length);
    for (const row of rows) {
      const same = margins.filter(({ kind }) => kind === row.kind);
      expect(Math.min(...same.map(({ share }) => share))).toBe(row.share);
    }
  });
});

describe('sums give the figure they stand for', () => {
  const answer = answerOf(measured([377, 375, 371, 372]));
  const [corner] = answer.corners;
  if (!corner) throw new Error('expected a corner');

  test('inputs reproduce the result', () => {
    const values = (inputs: { symbol: string; value: number }[]) =>
      Object.fromEntries(inputs.map(({ symbol, value }) => [symbol, value]));
    const stop = stopAtSum(corner);
    expect(stop?.result.value).toBeCloseTo(
      (values(stop?.inputs ?? []).r ?? 0) + (values(stop?.inputs ?? []).c ?? 0),
      9,
    );
    const move = seatMoveSum(corner, answer);
    expect(move.result.value).toBeCloseTo((values(move.inputs).c ?? 0) / (values(move.inputs).p ?? 1), 9);
    expect(heightNowSum(corner, answer).result.value).toBeCloseTo(377, 3);
    expect(predictedSum(corner, answer).result.value).toBe(corner.predictedMm);
    expect(chanceSum(answer, 'after')?.result.value).toBe(answer.chanceAfter);
    expect(chanceSum(answer, 'now')?.result.value).toBe(answer.chanceNow);
    const told = { seatMm: -5, turns: -2.5, stopAtMm: 85, heightMm: 365, heightSdMm: 2 };
    const issued = toldSum(told, 'front left');
    expect(issued.result.value).toBeCloseTo(
      (values(issued.inputs).c ?? 0) / (values(issued.inputs).p ?? 1),
      9,
    );
    expect(gainSum({ id: 'LF', title: 'front' }, answer)?.result.value).toBeCloseTo(2, 3);
  });

  test('every margin opens to inputs that add up', () => {
    for (const margin of marginsFor(answer).filter(({ corner: id }) => id === 'LF')) {
      const sum = marginSum(margin);
      const at = (symbol: string) => sum.inputs.find((one) => one.symbol === symbol)?.value ?? 0;
      const expected: Partial<Record<MarginKind, number>> = {
        'thread-up': at('r end') - at('stop'),
        'thread-down': at('stop') - at('r end'),
        droop: at('z'),
        seated: at('p₀') + at('c'),
        'bump-stop': at('z max') - at('z') - at('s'),
        'bump-metal': at('z max') - at('z'),
        height: at('T') - Math.abs(at('h′') - at('t')),
      };
      expect(sum.result.value).toBeCloseTo(expected[margin.kind] ?? at('left'), 6);
    }
  });

  test('no collar, no figure to stop at', () => {
    const bare = answerOf(add(record(), ...heights(0, 375)));
    expect(bare.corners[0] && stopAtSum(bare.corners[0])).toBeNull();
  });
});

describe('questions', () => {
  const round = readRounds(measured([375, 375, 371, 371])).rounds[0];
  const say = (value: number) => `${value} mm`;

  test('a reading 40 mm off its twin is asked about, a usual one is not', () => {
    const question = questionHeight(415, 'RF', round, []);
    expect(question).toEqual({ kind: 'twin', differenceMm: 40 });
    expect(question && questionWords(question, say)).toMatch(/^40 mm off its twin/);
    expect(questionHeight(380, 'RF', round, [])).toBeNull();
  });

  test('a target that is half a number is asked about', () => {
    expect(questionTarget(36, 371)).toEqual({ kind: 'target', differenceMm: -335 });
    expect(questionTarget(350, 371)).toBeNull();
    expect(questionTarget(36, null)).toBeNull();
  });

  test('a repeat 9 mm off the first is asked about', () => {
    expect(questionHeight(384, 'RF', round, [375])).toEqual({ kind: 'repeat', differenceMm: 9 });
    expect(questionHeight(377, 'RF', round, [375])).toBeNull();
    // One stray among three does not put the other two in doubt.
    expect(questionHeight(546, 'RF', undefined, [547, 599])).toBeNull();
    expect(questionHeight(599, 'RF', undefined, [546, 547])).toEqual({ kind: 'repeat', differenceMm: 52 });
  });
});

describe('springs, load cases and clearances', () => {
  /** Corner mass 250 kg at 2:1, upper 90 over lower 150 N/mm: F = 2 W, W without the 38 kg wheel. */
  const fitted = () =>
    plainDocument((document) => {
      document.machine.massKg = 1000;
      document.machine.frontShare = 0.5;
      document.cases = ['as measured', 'as specified', 'full load'];
      document.loads = [{ name: 'load', kg: 160, xMm: -1300, yMm: 0, aboard: [false, false, true] }];
      for (const id of fourCorners)
        Object.assign(document.corners[id], {
          springs: [
            { ...blankSpring, name: 'upper', rateNPerMm: 90, freeLengthMm: 260, solidLengthMm: 120 },
            { ...blankSpring, name: 'lower', rateNPerMm: 150, freeLengthMm: 300, solidLengthMm: 150 },
          ],
          rings: [{ after: 0, limitMm: 75, on: 'body', gapMm: null }],
          preloadMm: 15,
          clearances: [{ ...someClearance, leastMm: 40 }],
        });
    });
  const job = measured(365, fitted());
  const margins = marginsFor(answerOf(job));
  const one = (kind: MarginKind, corner: string, name?: string) =>
    margins.find(
      (margin) =>
        margin.kind === kind && margin.corner === corner && (!name || whichKey(margin.which) === name),
    );
  const springN = (212 * 9.80665) / 0.5;

  test('gap to the ring is c0 + p - F/k1, and the spring is seated by its preload', () => {
    expect(one('crossover', 'LF')?.leftMm).toBeCloseTo(75 + 15 - springN / 90, 0);
    expect(one('seated', 'LF')?.leftMm).toBeCloseTo(15, 0);
    // A given preload is good to 2 mm; of a millimetre more, the lower takes all once its ring holds the upper.
    expect(one('seated', 'LF')?.sdMm).toBe(2);
    expect(one('coil', 'LF', 'upper')?.sdMm).toBeLessThan(2);
    expect(one('ring-order', 'LF')?.sdMm).toBeCloseTo(Math.hypot(2, 1), 9);
  });

  test('before a ring only the coils on its seat side count', () => {
    const three = fitted();
    three.corners.LF.springs.splice(1, 0, {
      ...blankSpring, name: 'thin', rateNPerMm: 400, freeLengthMm: 60, solidLengthMm: 55,
    }); // oxfmt-ignore
    const all = marginsFor(answerOf(measured(365, three)));
    // The upper has closed 75 and the 15 of preload when its ring takes over, of 140.
    const left = (of: MarginKind) => all.find(({ kind, corner }) => kind === of && corner === 'LF')?.leftMm;
    expect(left('ring-order')).toBeCloseTo(140 - 90, 3);
    // At rest the upper alone counts for its ring, whatever the others have closed.
    expect(Math.abs((left('crossover') ?? NaN) - (75 + 15 - springN / 90))).toBeLessThan(2);
  });

  test('coil space at full bump: the upper is held by its ring, the lower closes what is left', () => {
    // 200 mm of wheel at 2:1 is 100 mm, with 15 of preload 115 along the stack; the upper may take 90.
    const force = 115 / (1 / 90 + 1 / 150);
    expect(one('coil', 'LF', 'upper')?.leftMm).toBeCloseTo(140 - force / 90, 0);
    expect(one('coil', 'LF', 'lower')?.leftMm).toBeCloseTo(150 - force / 150, 0);
  });

  test('the rear has least droop and bump left when loaded, and says in which case', () => {
    expect(one('bump-metal', 'LR')).toMatchObject({ loadCase: 'full load' });
    expect(one('droop', 'LR')).toMatchObject({ loadCase: 'as measured' });
    const squat = (one('clearance', 'LF')?.leftMm ?? 0) - (one('clearance', 'LR')?.leftMm ?? 0);
    // 80 kg on each rear wheel at 2:1 over 56 N/mm in series.
    expect(squat).toBeGreaterThan((80 * 9.80665) / (56.25 * 0.25) - 8);
    expect(one('clearance', 'LR')).toMatchObject({ which: { name: 'tyre to arch' }, loadCase: 'full load' });
  });

  test('case by case: the column shows the least of each, and nothing is moved where nothing is planned', () => {
    const answer = must(answerFor(job, { planned: false }));
    expect(answer.corners.map(({ seatBy }) => seatBy)).toEqual([0, 0, 0, 0]);
    const cases = marginsByCase(answer);
    expect(cases.map(({ loadCase }) => loadCase)).toEqual(['as measured', 'full load']);
    const droop = cases.map(
      ({ margins: list }) =>
        list.find(({ kind, corner }) => kind === 'droop' && corner === 'LR')?.leftMm ?? 0,
    );
    expect(droop[1]).toBeGreaterThan((droop[0] ?? 0) + 15);
    const least = marginsFor(answer).find(({ kind, corner }) => kind === 'droop' && corner === 'LR');
    expect(least?.leftMm).toBe(Math.min(...droop));
  });

  test('a spring that is solid before the wheel is at its stop is short', () => {
    const document = fitted();
    const [upper] = document.corners.LF.springs;
    Object.assign(document.corners.LF, { rings: [], springs: [{ ...upper, solidLengthMm: 150 }] });
    const short = marginsFor(answerOf(measured(365, document))).find(
      ({ kind, corner }) => kind === 'coil' && corner === 'LF',
    );
    expect(short).toMatchObject({ state: 'short', leftMm: expect.closeTo(110 - 115, 0) });
  });

  test('what contradicts itself is told by its place, and the plain sheet goes on', () => {
    const document = fitted();
    document.corners.RR.ratioFrom = {
      kind: 'table',
      rows: [
        [0, 0],
        [50, 30],
        [40, 45],
      ],
    };
    const answer = answerOf(measured(365, document));
    expect(answer.faults.map(({ path }) => path)).toEqual(['corners.RR.ratioFrom.rows[2][0]']);
    expect(answer.corners).toHaveLength(4);
    expect(marginsFor(answer).some(({ kind }) => kind === 'coil')).toBe(false);
  });
});
