import fc from 'fast-check';
import { blankBar } from '../document/create.ts';
import { blankSpring } from '../document/spring.ts';
import type { JobDocument } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import {
  add,
  factEntry,
  fourCorners,
  measured,
  must,
  plainDocument,
} from '../../../tests/fixtures/records.ts';
import { balanceOf } from './balance.ts';
import { seatEffects } from './effects.ts';

const fitted = (edit: (document: JobDocument) => void = () => undefined) =>
  plainDocument((document) => {
    Object.assign(document.machine, {
      massKg: 1000,
      frontShare: 0.5,
      wheelbaseMm: 2600,
      trackFrontMm: 1500,
      trackRearMm: 1500,
    });
    for (const id of fourCorners)
      Object.assign(document.corners[id], {
        springs: [{ ...blankSpring, name: 'main', rateNPerMm: 100 }],
        preloadMm: 5,
        tyreRateNPerMm: 5000,
        unsprungKg: 0,
      });
    edit(document);
  });

describe('how the weight stands', () => {
  test('worked by hand: 262, 238, 240, 260', () => {
    const balance = must(balanceOf({ LF: [262], RF: [238], LR: [240], RR: [260] }));
    expect(balance.totalKg).toBe(1000);
    expect(balance.front.value).toBeCloseTo(0.5, 12);
    expect(balance.left.value).toBeCloseTo(0.502, 12);
    expect(balance.cross.value).toBeCloseTo(0.478, 12);
    expect(balance.frontDifferenceKg).toBe(-24);
    // Half a percent each: sqrt(sum) / T with slopes 0.522 on the diagonal and 0.478 off it.
    const sd = Math.hypot(0.522 * 1.19, 0.522 * 1.2, 0.478 * 1.31, 0.478 * 1.3) / 1000;
    expect(balance.cross.sd).toBeCloseTo(sd, 6);
  });

  test('repeats count as their mean; with a pad missing nothing is said', () => {
    expect(balanceOf({ LF: [260, 264], RF: [238], LR: [240], RR: [260] })?.totalKg).toBe(1000);
    expect(balanceOf({ LF: [260], RF: [238], LR: [240] })).toBeNull();
    expect(balanceOf({ LF: [0], RF: [0], LR: [0], RR: [0] })).toBeNull();
  });

  test('shares do not change with the scale’s own factor', () => {
    const kg = fc.double({ min: 50, max: 900, noNaN: true });
    fc.assert(
      fc.property(kg, kg, kg, kg, fc.double({ min: 0.5, max: 2, noNaN: true }), (a, b, c, d, factor) => {
        const of = (k: number) => must(balanceOf({ LF: [a * k], RF: [b * k], LR: [c * k], RR: [d * k] }));
        expect(of(factor).cross.value).toBeCloseTo(of(1).cross.value, 10);
        expect(of(factor).front.value).toBeCloseTo(of(1).front.value, 10);
      }),
    );
  });
});

describe('what a turn of a seat does', () => {
  test('on equal tracks and rates and stiff tyres: 3/4, 1/4, 1/4, −1/4 of the seat at the wheel', () => {
    const [first] = seatEffects(must(answerFor(measured(365, fitted()))));
    const atWheel = 2 / 0.5;
    const heights = first?.corners.map(({ heightMm }) => heightMm / atWheel) ?? [];
    [0.75, 0.25, 0.25, -0.25].forEach((wanted, i) => expect(heights[i]).toBeCloseTo(wanted, 1));
  });

  test('pads: its own wheel and the one across gain alike, the others lose; all four add to nothing', () => {
    for (const { seat, corners } of seatEffects(must(answerFor(measured(365, fitted()))))) {
      expect(corners.reduce((sum, { padKg }) => sum + padKg, 0)).toBeCloseTo(0, 6);
      const gains = corners.filter(({ padKg }) => padKg > 0).map(({ id }) => id);
      expect(gains).toEqual(seat === 'LF' || seat === 'RR' ? ['LF', 'RR'] : ['RF', 'LR']);
    }
  });

  test('a hooked bar takes weight shift upon itself: one seat then moves more of it', () => {
    const shift = (edit?: (document: JobDocument) => void) =>
      seatEffects(must(answerFor(measured(365, fitted(edit)))))[0]?.corners[0]?.padKg ?? 0;
    const free = shift();
    const barred = shift((document) => (document.bars.front = blankBar(20, true)));
    expect(barred).not.toBeCloseTo(free, 2);
  });
});

test('pads read in a later round count as evidence there, and take the place of the weights described at the baseline', () => {
  const document = fitted((one) => fourCorners.forEach((id) => (one.corners[id].loadKg = 250)));
  const job = measured(365, document);
  const pads = (round: number, kg: readonly number[]) =>
    fourCorners.map((corner, i) => factEntry({ kind: 'pad', round, corner, slot: '1', kg: kg[i] ?? 0 }));
  const crossOf = (record: typeof job) => must(must(answerFor(record)).cross).now;
  const even = crossOf(job);
  const read = crossOf(add(job, ...pads(0, [270, 230, 230, 270])));
  expect(even).toBeCloseTo(0.5, 2);
  expect(read).toBeLessThan(0.485);
});
