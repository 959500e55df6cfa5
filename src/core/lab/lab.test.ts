import { markWords } from '#words/stackEvents.ts';
import fc from 'fast-check';
import { GRAVITY } from '../machine/solver.ts';
import { blankSpring } from '../document/spring.ts';
import { bottoming, frequencyHz, labCurve, labMarks } from './curve.ts';
import { effectiveLimit, holdRing, inMotion, moveSeat, placeRing, ringPlaces, ringTrade } from './rings.ts';
import { roundedSection, sectionAt, windingFor } from './section.ts';
import { restTravel } from '../machine/rest.ts';
import { benchOf, caseTravel, plainSetup, type Bench, type LabSetup } from './setup.ts';

const must = (setup: LabSetup): Bench => {
  const made = benchOf(setup);
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value;
};

const coil = (rateNPerMm: number, freeLengthMm: number, solidLengthMm: number) => ({
  ...blankSpring,
  name: String(rateNPerMm),
  rateNPerMm,
  freeLengthMm,
  solidLengthMm,
});

/** One coil on a straight ratio, no stop: everything has a closed form. */
const single = { ...plainSetup, stop: null, springs: [coil(50, 300, 100)] };

/** 60 over 40 on a ratio of 0.5 over 400 mm, ring on the body. */
const dual: LabSetup = {
  ...plainSetup,
  travelMm: 400,
  ratio: { kind: 'constant', ratio: 0.5 },
  springs: [coil(60, 200, 60), coil(40, 300, 90)],
  rings: [{ after: 0, limitMm: 60, on: 'body' }],
  preloadMm: 20,
  stop: null,
  collar: { readsMm: 80, grows: 'with-seat' },
  cases: [
    { name: 'ride height', kg: 140 },
    { name: 'loaded', kg: 190 },
  ],
};

describe('one coil on a straight ratio', () => {
  test('rests where k MR (MR z + p) is the load', () => {
    // 240 kg: 2353.6 N at the wheel, 3138.1 N at the spring, 62.76 mm, 10 of them preload, over 0.75.
    expect(caseTravel(must(single))).toBeCloseTo(70.349, 2);
  });

  test('topped out under a load less than the preload carries, on metal under too much', () => {
    const { model } = must(single);
    expect(restTravel(model, 374)).toBe(0);
    expect(restTravel(model, 376)).toBeGreaterThan(0);
    expect(restTravel(model, 1e5)).toBe(model.zMax);
  });

  test('its wheel rate is k MR squared and its frequency follows', () => {
    const curve = labCurve(must(single));
    for (const rate of curve.rateNPerMm) expect(rate).toBeCloseTo(28.125, 9);
    // sqrt(28125 / 240) / 2 pi
    expect(curve.frequencyHz[5]).toBeCloseTo(1.7229, 4);
    expect(frequencyHz(-3, 100)).toBe(0);
  });

  test('a fall takes in k (x1^2 - x0^2) / 2 by the end of travel', () => {
    const { fromRideJ, dropMm } = bottoming(must(single));
    const weight = 240 * GRAVITY;
    const whole = (50 * (160 ** 2 - 10 ** 2)) / 2;
    expect(dropMm).toBeCloseTo(whole / weight - 200, 8);
    expect(fromRideJ).toBeCloseTo((25 * (160 ** 2 - 62.7626 ** 2)) / 1000, 1);
    expect(bottoming(must({ ...single, cases: [{ name: 'far too much', kg: 900 }] })).dropMm).toBeNull();
  });
});

describe('marks along the travel', () => {
  test('a ring comes p k1/k2 and more into the damper travel, and rates are those of one and of both', () => {
    const bench = must(dual);
    // Before it 60 + 20 mm in the upper: 4800 N, in both 80 + 120 mm, less 20 of preload, over 0.5.
    const mark = labMarks(bench).find(({ kind }) => kind === 'ring');
    expect(mark?.travelMm).toBeCloseTo((80 + 120 - 20) / 0.5, 6);
    const sooner = must(placeRing(bench, 0, { by: 'gap', mm: 10 }));
    const at = labMarks(sooner).find(({ kind }) => kind === 'ring')?.travelMm ?? NaN;
    expect(at - caseTravel(sooner)).toBeCloseTo((10 * (1 + 60 / 40)) / 0.5, 6);
    const curve = labCurve(sooner);
    const rateAt = (z: number) => curve.rateNPerMm[curve.travelMm.findIndex((one) => one >= z)];
    expect(rateAt(at - 5)).toBeCloseTo(24 * 0.25, 6);
    expect(rateAt(at + 5)).toBeCloseTo(40 * 0.25, 6);
  });

  test('the stop stands where so much travel is left, and not where springs are solid before it', () => {
    const stop = {
      rows: [
        [0, 0],
        [20, 2000],
      ] as [number, number][],
      leftMm: 35,
    };
    const stopped = must({ ...dual, stop });
    expect(labMarks(stopped).find(({ kind }) => kind === 'stop')?.travelMm).toBeCloseTo(
      dual.travelMm - 35,
      9,
    );
    expect(labMarks(must({ ...dual, stop: null })).some(({ kind }) => kind === 'stop')).toBe(false);
    const solid = must({ ...dual, rings: [], springs: [coil(60, 200, 170), coil(40, 300, 250)], stop });
    expect(solid.model.zMax).toBeLessThan(dual.travelMm - 35);
    expect(labMarks(solid).map(({ kind }) => kind)).not.toContain('stop');
  });

  test('metal on metal is told from a ring, and a tender that closes from both', () => {
    const bound = must({ ...dual, springs: [coil(60, 200, 150), coil(40, 300, 90)] });
    expect(labMarks(bound).some((mark) => markWords(mark) === '60 coil-bound')).toBe(true);
    expect(labMarks(bound).some(({ kind }) => kind === 'ring')).toBe(false);
    const tender = must({
      ...dual,
      rings: [],
      springs: [{ ...coil(5, 90, 40), tender: true }, coil(40, 300, 90)],
    });
    expect(labMarks(tender).find(({ kind }) => kind === 'tender')?.forceN).toBeCloseTo(250 * 0.5, 6);
  });
});

const anyDual = fc
  .record({
    k1: fc.double({ min: 15, max: 120, noNaN: true }),
    k2: fc.double({ min: 15, max: 120, noNaN: true }),
    kg: fc.double({ min: 60, max: 220, noNaN: true }),
    gap: fc.double({ min: 1, max: 60, noNaN: true }),
    on: fc.constantFrom('body' as const, 'seat' as const),
    grows: fc.constantFrom('with-seat' as const, 'against-seat' as const),
  })
  .map(({ k1, k2, kg, gap, on, grows }) => {
    const setup: LabSetup = {
      ...dual,
      springs: [{ ...coil(k1, 400, 60) }, { ...coil(k2, 600, 90) }],
      rings: [{ after: 0, limitMm: 100, on }],
      collar: { readsMm: 80, grows },
      cases: [{ name: 'ride height', kg }],
    };
    return { bench: must(placeRing(must(setup), 0, { by: 'gap', mm: gap })), gap, k1, k2 };
  });

describe('a ring said in every way', () => {
  test('gap, seat, datum and share of bump come back as they went in', () => {
    fc.assert(
      fc.property(anyDual, ({ bench, gap }) => {
        const there = ringPlaces(bench, 0);
        expect(there.gapMm).toBeCloseTo(gap, 6);
        const ways = [
          { by: 'seat', mm: there.fromSeatMm ?? NaN },
          { by: 'datum', mm: there.readsMm ?? NaN },
          ...(there.ofBump !== null && there.ofBump < 1
            ? [{ by: 'bump', share: there.ofBump } as const]
            : []),
        ] as const;
        for (const way of ways) {
          const moved = must(placeRing(bench, 0, { by: 'gap', mm: gap + 7 }));
          expect(ringPlaces(must(placeRing(moved, 0, way)), 0).gapMm).toBeCloseTo(gap, 5);
        }
      }),
    );
  });

  test('the transition is g (1 + k1/k2) / MR from ride height', () => {
    fc.assert(
      fc.property(anyDual, ({ bench, gap, k1, k2 }) => {
        const { travelMm } = ringPlaces(bench, 0);
        fc.pre(travelMm !== null);
        expect((travelMm ?? NaN) - caseTravel(bench)).toBeCloseTo((gap * (1 + k1 / k2)) / 0.5, 5);
      }),
    );
  });

  test('the seat moved by c opens the gap by c where the ring stays, and leaves it where it follows', () => {
    fc.assert(
      fc.property(anyDual, fc.double({ min: -12, max: 12, noNaN: true }), ({ bench, gap }, by) => {
        const moved = must(moveSeat(bench.setup, by));
        fc.pre(caseTravel(moved) > 0 && caseTravel(bench) > 0 && caseTravel(bench) < bench.model.zMax - 30);
        const opens = bench.setup.rings[0]?.on === 'body' ? by : 0;
        fc.pre(gap + opens > 0.001);
        expect(ringPlaces(moved, 0).gapMm).toBeCloseTo(gap + opens, 5);
      }),
    );
  });

  test('a ring that is made to follow stands where it stood', () => {
    const bench = must(dual);
    const followed = holdRing(dual, 0, 'seat');
    expect(effectiveLimit(followed, 0)).toBe(effectiveLimit(dual, 0));
    expect(ringPlaces(must(followed), 0)).toEqual(ringPlaces(bench, 0));
    expect(holdRing(followed, 0, 'body')).toEqual(dual);
  });

  test('without free lengths only gap and shares are known; what cannot be worked out changes nothing', () => {
    const bare = must({
      ...dual,
      springs: [{ ...coil(60, 0, 0), freeLengthMm: null, solidLengthMm: null }, coil(40, 300, 90)],
    });
    expect(ringPlaces(bare, 0)).toMatchObject({ fromSeatMm: null, readsMm: null });
    expect(placeRing(bare, 0, { by: 'seat', mm: 100 })).toBe(bare.setup);
  });

  test('a smaller gap is stiffer and takes in more; no gap past the ring is offered', () => {
    const trade = ringTrade(must(placeRing(must(dual), 0, { by: 'gap', mm: 20 })), 0);
    expect(trade.map(({ gapMm }) => Math.round(gapMm))).toEqual([10, 20, 30]);
    const [tight, now, wide] = trade as [(typeof trade)[0], (typeof trade)[0], (typeof trade)[0]];
    expect(tight.bottomJ).toBeGreaterThan(now.bottomJ);
    expect(now.bottomJ).toBeGreaterThan(wide.bottomJ);
    expect(tight.softNPerMm).toBeGreaterThan(now.softNPerMm);
    expect(ringTrade(must(placeRing(must(dual), 0, { by: 'gap', mm: 4 })), 0)).toHaveLength(2);
  });
});

describe('the section', () => {
  test('springs stand end to end from seat to perch at every travel, and rings stay on the body', () => {
    const bench = must(dual);
    for (const z of [0, 90, 200, bench.model.zMax]) {
      const { springs, seatMm, perchMm, rings } = sectionAt(bench, z);
      expect(springs[0]?.fromMm).toBeCloseTo(seatMm, 6);
      expect(springs[0]?.toMm).toBeCloseTo(springs[1]?.fromMm ?? NaN, 9);
      expect(springs[1]?.toMm).toBe(perchMm);
      expect(perchMm).toBeCloseTo(-0.5 * z, 9);
      expect(rings[0]?.atMm).toBeCloseTo(200 - 80 - 480, 9);
    }
    expect(sectionAt(bench, caseTravel(bench)).rings[0]?.gapMm).toBeCloseTo(ringPlaces(bench, 0).gapMm, 6);
  });

  test('a slack spring leaves its seat; the stop is touched where it says', () => {
    const loose = sectionAt(must({ ...single, preloadMm: -12 }), 0);
    expect((loose.springs[0]?.fromMm ?? NaN) - loose.seatMm).toBeCloseTo(12, 9);
    const stopped = must(plainSetup);
    expect(sectionAt(stopped, 160).stop?.gapMm).toBeCloseTo(0, 9);
    expect(sectionAt(stopped, 100).stop?.gapMm).toBeCloseTo(45, 9);
  });

  test('rounded, every place is the nearest step', () => {
    const section = sectionAt(must(dual), 91.3);
    const rounded = roundedSection(section, 0.5);
    const pairs: [number | undefined, number | undefined][] = [
      [rounded.seatMm, section.seatMm],
      [rounded.perchMm, section.perchMm],
      [rounded.bodyEndMm, section.bodyEndMm],
      [rounded.springs[0]?.toMm, section.springs[0]?.toMm],
      [rounded.springs[1]?.fromMm, section.springs[1]?.fromMm],
      [rounded.rings[0]?.atMm, section.rings[0]?.atMm],
      [rounded.rings[0]?.gapMm, section.rings[0]?.gapMm],
    ];
    for (const [to = NaN, from = NaN] of pairs) {
      expect(Math.abs(to - from)).toBeLessThanOrEqual(0.25 + 1e-9);
      expect(Math.abs(to * 2 - Math.round(to * 2))).toBeLessThan(1e-9);
    }
    expect(rounded.springs.map(({ name }) => name)).toEqual(section.springs.map(({ name }) => name));
  });

  test('wire and turns give back the rate and the solid length', () => {
    const { wireMm, turns } = windingFor(50, 110, 70);
    expect(wireMm * turns).toBeCloseTo(110, 9);
    expect((79300 * wireMm ** 4) / (8 * 70 ** 3 * turns)).toBeCloseTo(50, 9);
  });
});

test('faults of a setup are named by its own paths', () => {
  const faulty = benchOf({ ...dual, pitchMm: 0, springs: [coil(60, 100, 120), coil(-1, 300, 90)] });
  expect(faulty.ok).toBe(false);
  if (!faulty.ok)
    expect(faulty.faults.map(({ path }) => path)).toEqual(['pitchMm', 'springs[0].solidLengthMm'].reverse());
  const bad = benchOf({ ...dual, springs: [coil(-1, 300, 90)], rings: dual.rings, cases: [] });
  expect(bad.ok ? [] : bad.faults.map(({ path }) => path)).toEqual([
    'cases',
    'springs[0].rateNPerMm',
    'rings[0].after',
  ]);
});

test('in motion: the rear, squatting, has so much less bump left, and its ring comes so much sooner', () => {
  const bench = must(dual);
  const places = ringPlaces(bench, 0);
  const rest = caseTravel(bench);
  const bump = dual.travelMm - rest;
  const takesOver = places.travelMm ?? NaN;
  const moving = inMotion({ ...places, ofBump: 0.4 }, places, bench, 30);
  expect(moving?.front).toBe(0.4);
  expect(moving?.rear).toBeCloseTo((takesOver - rest - 30) / (bump - 30), 9);
  expect(moving?.rearFor).toBeCloseTo((30 + 0.4 * (bump - 30)) / bump, 9);
  // Squatting onto the metal leaves no bump to share.
  expect(inMotion({ ...places, ofBump: 0.4 }, places, bench, bump)).toBeNull();
});

test('the curve has a point on either side of every kink, in order', () => {
  const bench = must(dual);
  const { travelMm } = labCurve(bench);
  const kinks = labMarks(bench).filter(
    ({ kind, travelMm: at }) => kind !== 'case' && at > 1 && at < bench.model.zMax - 1,
  );
  expect(kinks.length).toBeGreaterThan(0);
  for (const { travelMm: at } of kinks) {
    expect(travelMm.some((z) => z > at - 1e-5 && z < at)).toBe(true);
    expect(travelMm.some((z) => z > at && z < at + 1e-5)).toBe(true);
  }
  travelMm.slice(1).forEach((z, k) => expect(z).toBeGreaterThanOrEqual(travelMm[k] ?? NaN));
});

test('springs of which no length is known are drawn long enough to close by the whole stroke, sharing it', () => {
  const unknown = (count: number) => ({
    ...single,
    springs: Array.from({ length: count }, () => ({
      ...coil(50, 300, 100),
      freeLengthMm: null,
      solidLengthMm: null,
    })),
  });
  const drawn = (count: number) => {
    const bench = must(unknown(count));
    const { springs } = sectionAt(bench, 0);
    return {
      mm: springs.reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0),
      stroke: bench.model.springAt(bench.setup.travelMm),
    };
  };
  const [one, two] = [drawn(1), drawn(2)];
  expect(one.mm).toBeGreaterThan(1.35 * one.stroke);
  expect(one.mm).toBeLessThan(4 * one.stroke);
  expect(two.mm).toBeCloseTo(one.mm, 6);
});
