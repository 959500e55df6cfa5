import { lowerWords } from '#words/whyWeight.ts';
import { tradeWords } from '#words/tradeOff.ts';
import { answerBy } from '../planning/replan.ts';
import { answerFor } from '../planning/answer.ts';
import { add, adjustment, factEntry, fourCorners, must, record } from '../../../tests/fixtures/records.ts';
import {
  crossOf,
  describePadCar,
  hidePadCar,
  padFacts,
  readPadCar,
  standOf,
} from '../../../tests/fixtures/padCar.ts';
import { hardEndOf } from '../document/fitting.ts';
import type { JobDocument } from '../document/types.ts';
import {
  padAfterSum,
  swapFactorSum,
  swapHeightSum,
  tradeHeightSum,
  tradeShareSum,
} from '#words/explain/scaleSums.ts';
import { balanceOf, repeatSpread } from './balance.ts';
import { seatEffects } from './effects.ts';
import { padsAround } from './padsAround.ts';
import { moveSize, movesOf } from './moves.ts';
import { valueIn } from '../../../tests/fixtures/sums.ts';
import { swapResult } from './swap.ts';
import { furthestOff, tradeOff } from './tradeOff.ts';
import { seatWays } from './ways.ts';

const say = (mm: number) => `${mm.toFixed(1)} mm`;
const car = hidePadCar(2);
const readings = readPadCar(car);
const answerOf = (edit?: (document: JobDocument) => void) =>
  must(answerFor(add(record(describePadCar(edit)), ...padFacts(0, readings))));

describe('scales against heights', () => {
  test('heights that lie in a plane leave cross weight free: both can be had', () => {
    const trade = must(tradeOff(answerOf()));
    const both = must(trade.points[must(trade.both)] ?? null);
    expect(Math.abs(both.share - 0.5)).toBeLessThanOrEqual(0.002);
    expect(both.heightOffMm).toBeLessThanOrEqual(3);
    expect(tradeWords(trade, 3, say).can).toBe(true);
    // What the plan says is what the true machine does, near enough for a first round.
    const moves = fourCorners.map((id) => both.moves.find((one) => one.id === id)?.seatBy ?? 0);
    const after = standOf({ ...car, seatsBy: car.seatsBy.map((mm, i) => mm + (moves[i] ?? 0)) });
    expect(Math.abs(crossOf(after.padsKg) - 0.5)).toBeLessThan(0.006);
  });

  test('nothing asked of the scales: there is nothing to trade', () => {
    expect(tradeOff(answerOf((document) => (document.crossTarget = null)))).toBeNull();
  });

  test('left and right tied: the line runs from heights first to scales first, and the words name both ends', () => {
    const answer = answerOf((document) => (document.equalSides = true));
    const trade = must(tradeOff(answer));
    const { can, words } = tradeWords(trade, answer.tolerance.value, say);
    expect([can, trade.both]).toEqual([false, null]);
    expect(words).toContain(`cross weight is ${(100 * trade.heightsFirst.share).toFixed(1)} %`);
    expect(words).toContain('four freedoms');
  });

  test('a thread that is nearly out: more weight on the scales brings the share nearer and costs height, never the other way', () => {
    const trade = must(
      tradeOff(
        answerOf((document) => {
          document.crossTarget = 0.56;
          // Five turns at most from where every collar stands.
          for (const id of fourCorners)
            document.corners[id].collar = { datum: 'body', grows: 'with-seat', minMm: 90, maxMm: 110 };
        }),
      ),
    );
    const off = trade.points.map(({ shareOff }) => Math.abs(shareOff));
    off.slice(1).forEach((one, k) => expect(one).toBeLessThanOrEqual((off[k] ?? 0) + 2e-4));
    expect(trade.scalesFirst.heightOffMm).toBeGreaterThanOrEqual(trade.heightsFirst.heightOffMm);
    // No point is beaten in both by another.
    trade.points.forEach((one, k) =>
      trade.points
        .slice(k + 1)
        .forEach((next) => expect(next.heightOffMm).toBeGreaterThanOrEqual(one.heightOffMm - 0.1)),
    );
    expect(trade.points[trade.taken]?.weight).toBe(1);
    for (const point of trade.points) {
      const [share, height] = [tradeShareSum(trade, point), tradeHeightSum(point)];
      expect(share.result.value - valueIn(share, 's*')).toBeCloseTo(valueIn(share, 'Δs'), 9);
      const offs = fourCorners.map((id) => Math.abs(valueIn(height, `Δh ${id}`)));
      expect(Math.max(...offs)).toBeCloseTo(height.result.value, 9);
    }
    expect(new Set(trade.points.map(({ moves }) => JSON.stringify(moves))).size).toBe(trade.points.length);
    expect(trade.points.map(({ weight }) => weight)).toEqual(
      [...trade.points.map(({ weight }) => weight)].sort((a, b) => a - b),
    );
  });

  test('a weight of one’s own stands in its place on the line', () => {
    const trade = must(tradeOff(answerOf((document) => (document.crossWeight = 0.02))));
    const weights = trade.points.map(({ weight }) => weight);
    expect(weights).toEqual([...weights].sort((a, b) => a - b));
    expect(weights[trade.taken]).toBe(0.02);
  });

  test('four heights that twist and a cross weight: five wishes, told as that', () => {
    const answer = answerOf((document) => {
      document.corners.LF.targetMm = 352;
      document.corners.RR.targetMm = 356;
    });
    const trade = must(tradeOff(answer));
    expect(trade.both).toBeNull();
    // On hard tyres the twist leaves (14 + 14) / 4 at every corner; tyres squeezed unlike, by much weight across, give some of it.
    expect(trade.scalesFirst.heightOffMm).toBeGreaterThan(6.5);
    expect(trade.scalesFirst.heightOffMm).toBeLessThan(8);
    expect(trade.heightsFirst.heightOffMm).toBeLessThan(trade.scalesFirst.heightOffMm - 2);
    expect(Math.abs(trade.heightsFirst.share - 0.5)).toBeGreaterThan(0.05);
    expect(tradeWords(trade, 3, say).words).toContain('five wishes');
  });

  test('equal front wheels: right front takes half of the front', () => {
    const answer = answerOf((document) => Object.assign(document, { crossTarget: null, frontEqual: true }));
    const trade = must(tradeOff(answer));
    expect([trade.goal, trade.target]).toEqual(['front', 0.5]);
    expect(must(answer.cross).frontRight.after).toBeCloseTo(0.5, 2);
    const pads = answer.predictAt(answer.specifiedAfter).outcome.solver.pads;
    expect(Math.abs((pads[1] ?? 0) / ((pads[0] ?? 0) + (pads[1] ?? 0)) - 0.5)).toBeLessThan(0.003);
  });
});

describe('which seats to touch', () => {
  const nearly = () => {
    const plain = hidePadCar(4, { plain: true });
    const at = standOf(plain);
    return answerOfPlain(at.heightsMm, { ...plain, seatsBy: [1.2, -1.2, -1.2, 1.2] });
  };
  const answerOfPlain = (targets: number[], moved: typeof car, edit?: (document: JobDocument) => void) =>
    must(
      answerFor(
        add(
          record(
            describePadCar((document) => {
              fourCorners.forEach((id, i) => (document.corners[id].targetMm = Math.round(targets[i] ?? 0)));
              edit?.(document);
            }),
          ),
          ...padFacts(0, standOf(moved)),
        ),
      ),
    );

  test('weight off across the corners alone: one or two seats put it right, fewest first', () => {
    const ways = seatWays(nearly(), 1);
    expect(ways.length).toBeGreaterThan(1);
    ways.forEach(({ heightOffMm, cross }) => {
      expect(heightOffMm).toBeLessThanOrEqual(3);
      expect(Math.abs(cross - 0.5)).toBeLessThanOrEqual(0.002);
    });
    const counts = ways.map(({ moves }) => moves.length);
    expect(counts).toEqual([...counts].sort((a, b) => a - b));
    expect(counts[0]).toBeLessThan(4);
    expect(ways.every(({ moves }) => isSorted(moves.map(moveSize)))).toBe(true);
    // Made again with what it leaves alone, a way is the same plan.
    const [first] = ways;
    const again = answerBy(nearly(), { scalesWeight: 1, held: first?.held ?? [] });
    expect(movesOf(again)).toEqual(first?.moves);
  });

  test('an end that is hard to get at is left out where the other can do it', () => {
    const plain = hidePadCar(4, { plain: true });
    const [way] = seatWays(
      answerOfPlain(
        standOf(plain).heightsMm,
        { ...plain, seatsBy: [1.2, -1.2, -1.2, 1.2] },
        (document) => (document.hardEnd = 'rear'),
      ),
      1,
    );
    expect(way?.hardMm).toBe(0);
    expect(way?.moves.every(({ id }) => id.endsWith('F'))).toBe(true);
  });

  test('held corners stay, whatever is asked', () => {
    const planned = answerBy(answerOf(), { held: ['LF', 'RR'] });
    expect(planned.corners.filter(({ seatBy }) => seatBy !== 0).map(({ id }) => id)).not.toContain('LF');
    expect(planned.corners.find(({ id }) => id === 'RR')?.seatBy).toBe(0);
    expect(furthestOff(planned)).toBeGreaterThan(0);
  });
});

const isSorted = (list: number[]) => list.every((one, k) => k === 0 || one >= (list[k - 1] ?? 0));

test('springs apart on the arm at one end make that the hard one, unless somebody says otherwise', () => {
  const apart = describePadCar((one) => {
    one.corners.LR.fitting = one.corners.RR.fitting = 'apart';
  });
  expect(hardEndOf(apart)).toBe('rear');
  expect(hardEndOf({ ...apart, hardEnd: 'front' })).toBe('front');
  expect(
    hardEndOf(describePadCar((one) => fourCorners.forEach((id) => (one.corners[id].fitting = 'apart')))),
  ).toBeNull();
  expect(hardEndOf(describePadCar())).toBeNull();
});

test('the hard end is set once: in the next round the other end is matched to it', () => {
  const plain = hidePadCar(6, { plain: true });
  const document = describePadCar((one) => Object.assign(one, { hardEnd: 'rear', crossTarget: null }));
  const low = standOf({ ...plain, seatsBy: [0, 0, 0, 0] });
  const job = add(record(document), ...padFacts(0, low));
  const first = must(answerFor(job));
  expect(first.corners.filter(({ id, seatBy }) => id.endsWith('R') && seatBy !== 0)).toHaveLength(2);
  const moves = fourCorners.map((id) => first.corners.find((corner) => corner.id === id)?.seatBy ?? 0);
  // The front is left two millimetres short, as hands do.
  const turned = moves.map((mm, i) => (i < 2 ? mm - 2 : mm));
  const next = must(
    answerFor(
      add(
        job,
        ...fourCorners.map((id, i) => adjustment(1, id, turned[i] ?? 0)),
        ...padFacts(1, standOf({ ...plain, seatsBy: turned })),
      ),
    ),
  );
  expect(next.corners.filter(({ id, seatBy }) => id.endsWith('R') && seatBy !== 0)).toEqual([]);
  expect(next.corners.some(({ id, seatBy }) => id.endsWith('F') && seatBy !== 0)).toBe(true);
});

describe('pads against each other', () => {
  test('two swapped: how much higher one stands and how much more it shows come back from all eight readings', () => {
    const [higherMm, ratio] = [3, 1.012];
    const plain = (sign: 1 | -1) =>
      hidePadCar(1, { plain: true, padMm: [(sign * higherMm) / 2, (-sign * higherMm) / 2, 0, 0] });
    const shown = (sign: 1 | -1) => {
      const { padsKg, heightsMm } = standOf(plain(sign));
      const factors =
        sign === 1 ? [Math.sqrt(ratio), 1 / Math.sqrt(ratio)] : [1 / Math.sqrt(ratio), Math.sqrt(ratio)];
      return { heightsMm, padsKg: padsKg.map((kg, i) => kg * (factors[i] ?? 1)) };
    };
    const job = add(record(describePadCar()), ...padFacts(0, shown(1)));
    const swapped = shown(-1).padsKg;
    const withSwap = add(
      job,
      ...fourCorners.map((corner, i) =>
        factEntry({ kind: 'pad', round: 0, corner, slot: 'swapped-front', kg: swapped[i] ?? 0 }),
      ),
    );
    const told = must(swapResult(must(answerFor(withSwap)), 'front'));
    expect(told.higherMm).toBeCloseTo(higherMm, 0);
    expect(Math.abs(told.higherMm - higherMm)).toBeLessThan(0.25);
    expect(told.ratio).toBeCloseTo(ratio, 3);
    const height = swapHeightSum(told);
    expect((valueIn(height, 'D₁') - valueIn(height, 'D₂')) / (2 * valueIn(height, 'k'))).toBeCloseTo(
      height.result.value,
      9,
    );
    const factor = swapFactorSum(told);
    const pads = (one: string, two: string) => valueIn(factor, one) * valueIn(factor, two);
    const squared = pads('a₁', 'a₂') / pads('b₁', 'b₂') / valueIn(factor, 'm');
    expect(Math.sqrt(squared)).toBeCloseTo(told.ratio, 9);
    expect(swapResult(must(answerFor(withSwap)), 'rear')).toBeNull();
  });

  test('a pad known to show too much is taken for what stands on it', () => {
    const even = answerOf((document) => (document.corners.LF.padFactor = 1));
    const over = answerOf((document) => (document.corners.LF.padFactor = 1.1));
    const pad = (answer: typeof even) => answer.predictAt(answer.now).outcome.solver.pads[0] ?? 0;
    expect(pad(over)).toBeLessThan(pad(even));
  });

  test('repeats tell how well cross weight settles', () => {
    const spread = must(repeatSpread({ LF: [270, 272], RF: [262, 260], LR: [266, 268], RR: [278, 276] }));
    const [a, b] = [528 / 1076, 528 / 1076];
    expect(spread.times).toBe(2);
    expect(spread.halfShare).toBeCloseTo(Math.abs(a - b) / 2, 12);
    expect(spread.halfKg).toBe(1);
    expect(repeatSpread({ LF: [270, 272], RF: [262], LR: [266, 268], RR: [278, 276] })).toBeNull();
  });
});

test('weights after a plan: the four together stay, and the true machine’s follow them', () => {
  const answer = answerOf();
  const around = fourCorners.map((id) => padsAround(answer, id));
  const total = (of: 'nowKg' | 'afterKg') => around.reduce((sum, one) => sum + one[of], 0);
  expect(total('afterKg')).toBeCloseTo(total('nowKg'), 3);
  const moves = fourCorners.map((id) => answer.corners.find((one) => one.id === id)?.seatBy ?? 0);
  const before = standOf(car).padsKg;
  const after = standOf({ ...car, seatsBy: car.seatsBy.map((mm, i) => mm + (moves[i] ?? 0)) }).padsKg;
  around.forEach(({ nowKg, afterKg }, i) => {
    const truly = (after[i] ?? 0) - (before[i] ?? 0);
    expect(Math.abs(afterKg - nowKg - truly)).toBeLessThan(0.15 * Math.abs(truly) + 2);
  });
  expect(padAfterSum(answer, 'RF').result.value).toBe(around[1]?.afterKg);
});

test('what lowering would do is told with the effects’ own numbers', () => {
  const answer = answerOf();
  const own = seatEffects(answer)[1]?.corners[1]?.padKg ?? 0;
  const words = must(lowerWords(answer, 'RF', (kg) => kg.toFixed(1)));
  expect(words).toContain(`takes ${own.toFixed(1)} off the front right`);
  expect(words).toContain('rear left across from it');
});

test('pads in another load case are evidence there: the driver’s weight is told from them', () => {
  const document = describePadCar((one) => {
    one.loads = [{ name: 'ballast', kg: 40, xMm: -300, yMm: 300, aboard: [false, true] }];
  });
  const plain = hidePadCar(1, { plain: true });
  const without = standOf(plain);
  const ballast = { name: 'ballast', kg: 55, x: -300, y: 300 };
  const loaded = standOf({ ...plain, truth: { ...plain.truth, masses: [...plain.truth.masses, ballast] } });
  const job = add(record(document), ...padFacts(0, without));
  const kgOf = (one: typeof job) => {
    const { fit, machine } = must(answerFor(one));
    const at = machine.believed.machine.masses.findIndex(({ name }) => name === 'ballast');
    return 40 * (fit.values.massScales[at] ?? 1);
  };
  const entries = padFacts(0, loaded)
    .filter((entry) => entry.type === 'fact' && entry.fact.kind === 'pad')
    .map((entry) => (entry.type === 'fact' ? { ...entry, fact: { ...entry.fact, slot: 'c1-1' } } : entry));
  expect(kgOf(job)).toBeCloseTo(40, 1);
  expect(kgOf(add(job, ...entries))).toBeGreaterThan(41);
  expect(must(balanceOf({ LF: [1], RF: [1], LR: [1], RR: [1] })).cross.value).toBe(0.5);
});
