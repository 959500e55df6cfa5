import fc from 'fast-check';
import { ringSchools } from '#words/ringSchools.ts';
import { plainContact, linear } from '../../../tests/fixtures/machines.ts';
import { CornerModel } from '../machine/corner.ts';
import { Stack } from '../springs/stack.ts';
import {
  gapForReading,
  gapForShare,
  ringReading,
  shareOfBump,
  transitionMm,
  type RingPlace,
} from './ringSchools.ts';
import { readSag, sagWindows, type SagWindow } from '../sag/sagWindows.ts';
import { rateForSag, springVerdict, type SpringSigns } from './springVerdict.ts';

const window = (id: string) => sagWindows.find((one) => one.id === id) as SagWindow;

describe('sag windows', () => {
  test('a share is of the travel, a fixed figure is not', () => {
    expect(readSag(window('third'), 100, 300)).toEqual({ state: 'in', lowMm: 90, highMm: 108, offMm: 0 });
    expect(readSag(window('third'), 80, 300)).toMatchObject({ state: 'too little', offMm: 10 });
    expect(readSag(window('scooter'), 30, 60)).toMatchObject({ state: 'too much', offMm: 7 });
    expect(readSag(window('scooter'), 20, 500)).toMatchObject({ state: 'in' });
  });

  test('every window has room in it and says why', () => {
    for (const { low, high, unit } of sagWindows) {
      expect(low).toBeGreaterThan(0);
      expect(high).toBeGreaterThan(low);
      expect(unit === 'mm' || high < 1).toBe(true);
    }
    expect(new Set(sagWindows.map(({ id }) => id)).size).toBe(sagWindows.length);
  });
});

describe('is it the right spring', () => {
  const rider = (mm: number) => readSag(window('third'), mm, 300);
  const alone = (mm: number) => readSag(window('static-offroad'), mm, 300);
  const verdict = (signs: Partial<SpringSigns>) =>
    springVerdict({ riderSag: null, staticSag: null, preloadShare: null, ...signs });

  test.each<[string, Partial<SpringSigns>, string]>([
    ['rider sag right, hardly any static sag', { riderSag: rider(100), staticSag: alone(8) }, 'too soft'],
    ['rider sag right, much static sag', { riderSag: rider(100), staticSag: alone(55) }, 'too stiff'],
    ['too much sag at full preload', { riderSag: rider(130), preloadShare: 0.95 }, 'too soft'],
    ['too little sag at none', { riderSag: rider(60), preloadShare: 0.05 }, 'too stiff'],
    ['too much sag with preload left', { riderSag: rider(130), preloadShare: 0.5 }, 'adjust first'],
    ['both in', { riderSag: rider(100), staticSag: alone(32), preloadShare: 0.4 }, 'right'],
    ['in, with the adjuster at its end', { riderSag: rider(100), preloadShare: 0.97 }, 'right'],
  ])('%s', (_, signs, expected) => expect(verdict(signs)?.verdict).toBe(expected));

  test('static sag comes next only where it is wanted and was read', () => {
    const out = { riderSag: rider(130), preloadShare: 0.5 };
    expect(verdict(out)?.because).toMatchObject({ code: 'sag-out', thenStatic: false });
    expect(verdict({ ...out, staticSag: alone(32) })?.because).toMatchObject({ thenStatic: true });
  });

  test('without a rider sag that was read nothing is told, wherever the adjuster stands', () => {
    expect(verdict({ preloadShare: 0.97 })).toBeNull();
    expect(verdict({ staticSag: alone(8) })).toBeNull();
  });

  test('the rate for a sag stands there when it is fitted', () => {
    const load = { wheelN: 1500, ratio: 0.6, sagMm: 90, preloadMm: 12 };
    const rate = rateForSag(load);
    const corner = new CornerModel(
      plainContact('F', 700, 0, {
        ratio: { kind: 'constant', ratio: 0.6 },
        springs: linear(rate),
        preloadMm: 12,
      }),
    );
    corner.evaluate(90);
    expect(corner.forceN).toBeCloseTo(1500, 9);
  });
});

describe('ring schools', () => {
  const place = fc.record({
    upperNPerMm: fc.double({ min: 10, max: 100, noNaN: true }),
    lowerNPerMm: fc.double({ min: 20, max: 200, noNaN: true }),
    ratio: fc.double({ min: 0.3, max: 1.2, noNaN: true }),
    bumpMm: fc.double({ min: 50, max: 300, noNaN: true }),
    sliderMm: fc.double({ min: 50, max: 400, noNaN: true }),
    sign: fc.constantFrom<(1 | -1)[]>(1, -1),
  });

  test('from one to another and back is where it was', () => {
    fc.assert(
      fc.property(place, fc.double({ min: 1, max: 80, noNaN: true }), (one: RingPlace, gap) => {
        expect(gapForShare(one, shareOfBump(one, gap))).toBeCloseTo(gap, 9);
        expect(gapForReading(one, ringReading(one, gap))).toBeCloseTo(gap, 9);
      }),
    );
    expect(ringSchools.map(({ id }) => id)).toEqual(['gap', 'datum', 'share']);
  });

  test('the transition is where the stack itself has its knee', () => {
    const [k1, k2, limit, force] = [40, 70, 95, 2600];
    const coil = (rateNPerMm: number) => ({ kind: 'linear' as const, rateNPerMm, solidMm: null });
    const stack = new Stack({
      springs: [coil(k1), coil(k2)],
      rings: [{ after: 0, limitMm: limit, on: 'seat' }],
    });
    const here: RingPlace = {
      upperNPerMm: k1,
      lowerNPerMm: k2,
      ratio: 0.5,
      bumpMm: 200,
      sliderMm: 0,
      sign: 1,
    };
    const knee = (stack.events[0]?.compressionMm ?? NaN) - stack.compressionAt(force);
    expect(transitionMm(here, limit - force / k1)).toBeCloseTo(knee / 0.5, 9);
  });
});
