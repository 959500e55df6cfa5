import { whichKey } from '../document/which.ts';
import fc from 'fast-check';
import { mistakeWords } from '#words/collarMistake.ts';
import { againDocument } from '../book/again.ts';
import { standingFacts } from '../document/facts.ts';
import type { Entry, JobDocument } from '../document/types.ts';
import { collarMistake } from '../judgement/collarMistake.ts';
import { distanceAfter, gainsAt } from './clearance.ts';
import { marginsFor } from '../margins/margins.ts';
import { answerFor } from '../planning/answer.ts';
import { clearanceSum } from '#words/explain/planSums.ts';
import {
  angleSum,
  gapSum,
  jointSum,
  linkSum,
  lowPointSum,
  nextGapSum,
  rakeSum,
  rodSum,
  shiftSum,
} from '#words/explain/stanceSums.ts';
import {
  add,
  adjustment,
  collars,
  factEntry,
  fourCorners,
  must,
  record,
  someClearance,
} from '../../../tests/fixtures/records.ts';
import { describePadCar, hidePadCar, padFacts, standOf } from '../../../tests/fixtures/padCar.ts';
import { valueIn } from '../../../tests/fixtures/sums.ts';
import { camberShift, toeShift } from './alignment.ts';
import { rampUnder, stanceAngles } from './angles.ts';
import { rakeOf, wheelGaps } from './gaps.ts';
import { angleAfter } from './joint.ts';
import { ledgerOf } from './ledger.ts';
import { linkLength } from './link.ts';
import { lowPoints } from './lowPoints.ts';
import { radiusAdded, tyreRise } from './tyres.ts';

const RADIANS = Math.PI / 180;
const car = hidePadCar(1, { plain: true });
const baseline = standOf(car);
const jobOf = (edit?: (document: JobDocument) => void, ...more: Entry[]) =>
  add(record(describePadCar(edit)), ...padFacts(0, baseline), ...collars(0, 100), ...more);
const answerOf = (edit?: (document: JobDocument) => void, ...more: Entry[]) =>
  must(answerFor(jobOf(edit, ...more)));

describe('angles that ground may have', () => {
  test('without a tyre’s size they are those of triangles', () => {
    expect(rampUnder(0, 600, 200)).toBeCloseTo(Math.atan(200 / 600), 12);
    const { breakover } = stanceAngles({
      wheelbaseMm: 2600,
      frontRadiusMm: 0,
      rearRadiusMm: 0,
      points: [{ name: 'sill', xMm: 0, heightMm: 150 }],
    });
    expect(must(breakover).deg * RADIANS).toBeCloseTo(2 * Math.atan((2 * 150) / 2600), 12);
  });

  test('the plane found touches the tyre and passes through the point', () => {
    const within = fc.record({
      radius: fc.double({ min: 200, max: 500, noNaN: true }),
      ahead: fc.double({ min: 550, max: 1500, noNaN: true }),
      height: fc.double({ min: 60, max: 600, noNaN: true }),
    });
    fc.assert(
      fc.property(within, ({ radius, ahead, height }) => {
        const t = rampUnder(radius, ahead, height);
        // Distance of the tyre's centre from the line through the point at that slope.
        const away = Math.abs((0 - ahead) * Math.sin(t) - (radius - height) * Math.cos(t));
        expect(away).toBeCloseTo(radius, 6);
        expect(t).toBeGreaterThan(0);
      }),
    );
  });

  test('a point inside the tyre’s reach limits nothing, the lowest point ahead limits', () => {
    expect(rampUnder(300, 200, 250)).toBe(Math.PI / 2);
    const { approach, departure } = stanceAngles({
      wheelbaseMm: 2600,
      frontRadiusMm: 310,
      rearRadiusMm: 310,
      points: [
        { name: 'lip', xMm: 2100, heightMm: 160 },
        { name: 'hook', xMm: 2000, heightMm: 320 },
      ],
    });
    expect(approach?.by).toBe('lip');
    expect(departure).toBeNull();
  });
});

describe('low points', () => {
  const withPoints = (document: JobDocument) => {
    document.stance.points = [
      { name: 'sump', xMm: 800, yMm: 0, nowMm: 120, leastMm: 90 },
      { name: 'exhaust', xMm: -600, yMm: -250, nowMm: 130, leastMm: 129 },
    ];
  };

  test('are carried by the plane of the body: as the true machine moves there, tyres and all', () => {
    const answer = answerOf(withPoints);
    const moves = fourCorners.map((id) => answer.corners.find((corner) => corner.id === id)?.seatBy ?? 0);
    const after = standOf({ ...car, seatsBy: moves });
    // Hub to arch less what the tyre gives more, by corner; then the plane through three of them.
    const rise = (i: number) => {
      const kt = car.truth.contacts[i]?.tyreRateNPerMm ?? 1;
      const softer = (((after.padsKg[i] ?? 0) - (baseline.padsKg[i] ?? 0)) * 9.80665) / kt;
      return (after.heightsMm[i] ?? 0) - (baseline.heightsMm[i] ?? 0) - softer;
    };
    const [x, y] = [-600, -250];
    const [lf, rf, lr] = [rise(0), rise(1), rise(2)];
    const [px, py] = [(lf - lr) / 2465, (lf - rf) / 1480];
    const wanted = lf + px * (x - 2465 / 2) + py * (y - 740);
    const [, exhaust] = lowPoints(answer);
    expect(Math.abs((exhaust?.afterMm ?? 0) - 130 - wanted)).toBeLessThan(0.6);
    expect(exhaust?.nearest).toBe('RR');
    const sum = lowPointSum(must(exhaust ?? null));
    expect(sum.result.value).toBe(exhaust?.afterMm);
  });

  test('are margins of the corner they lie nearest to, in the load case where they are lowest', () => {
    const answer = answerOf((document) => {
      withPoints(document);
      document.cases = ['as measured', 'with the week’s load'];
      document.loads = [{ name: 'load', kg: 150, xMm: -900, yMm: 0, aboard: [false, true] }];
    });
    const ground = marginsFor(answer).filter(({ kind }) => kind === 'ground');
    expect(ground.map(({ which, corner }) => [whichKey(which), corner]).sort()).toEqual([
      ['exhaust', 'RR'],
      ['sump', 'LF'],
    ]);
    const exhaust = must(ground.find(({ which }) => whichKey(which) === 'exhaust') ?? null);
    expect([exhaust.state, exhaust.loadCase]).toEqual(['short', 'with the week’s load']);
    expect(exhaust.inputs().map(({ symbol }) => symbol)).toEqual(['d', 'Δh', 'least']);
  });

  test('the next job on the machine takes them, and clearances, from where they stand now', () => {
    const moved = standOf({ ...car, seatsBy: [-6, -6, -6, -6] });
    const answer = answerOf(
      (document) => {
        withPoints(document);
        document.corners.LF.clearances = [{ ...someClearance, nowMm: 60, rows: [[-30, 40], [0, 60], [30, 75]] }]; // oxfmt-ignore
      },
      ...fourCorners.map((id) => adjustment(1, id, -6)),
      ...padFacts(1, moved),
    );
    const next = againDocument(answer, '00000000-0000-4000-9000-000000000001', 'Back');
    const points = lowPoints(answer);
    expect(next.stance.points.map(({ nowMm }) => nowMm)).toEqual(points.map(({ hereMm }) => hereMm));
    expect(next.stance.points[0]?.nowMm).toBeLessThan(118);
    expect(Object.keys(next.stance.points[0] ?? {}).sort()).toEqual([
      'leastMm',
      'name',
      'nowMm',
      'xMm',
      'yMm',
    ]);
    const [arch] = next.corners.LF.clearances;
    // The table goes on from its new zero: the same distance now, the same at every height.
    expect(distanceAfter(arch ?? someClearance, 0)).toBeCloseTo(arch?.nowMm ?? NaN, 9);
    expect(ledgerOf(answer)[0]?.now).toBeCloseTo(arch?.nowMm ?? NaN, 9);
  });

  test('other tyres lift them by half of what they are taller, straight between the axles', () => {
    const answer = answerOf((document) => {
      withPoints(document);
      document.stance.tyreMm = { front: 600, rear: 600 };
      document.stance.nextTyreMm = { front: 620, rear: 640 };
    });
    expect([radiusAdded(answer.document, 'front'), radiusAdded(answer.document, 'rear')]).toEqual([10, 20]);
    expect(tyreRise(answer.document, 2465 / 2)).toBeCloseTo(10, 12);
    expect(tyreRise(answer.document, 0)).toBeCloseTo(15, 12);
    const [sump] = lowPoints(answer);
    expect((sump?.onNextTyresMm ?? 0) - (sump?.afterMm ?? 0)).toBeCloseTo(20 - 10 * (0.5 + 800 / 2465), 9);
  });
});

describe('wheel gaps and rake', () => {
  test('hub to arch less half the tyre; taller tyres fill them', () => {
    const answer = answerOf((document) => {
      document.stance.tyreMm = { front: 600, rear: 610 };
      document.stance.nextTyreMm = { front: 620, rear: null };
    });
    const gaps = wheelGaps(answer);
    const [lf] = gaps;
    expect(lf?.before.mm).toBeCloseTo((answer.posterior.heightsByRound[0]?.[0] ?? 0) - 300, 1);
    expect(lf?.after.mm).toBeCloseTo(338 - 300, 0);
    expect((lf?.after.mm ?? 0) - (lf?.onNextTyresMm ?? 0)).toBeCloseTo(10, 12);
    for (const when of ['before', 'now', 'after'] as const) {
      const sum = gapSum(must(lf ?? null), when, 600);
      expect(valueIn(sum, 'h') - valueIn(sum, 'D') / 2).toBeCloseTo(sum.result.value, 9);
      expect(sum.result.value).toBe(lf?.[when].mm);
    }
    const next = nextGapSum(must(lf ?? null));
    expect(valueIn(next, 'ΔR')).toBeCloseTo(10, 12);
    expect(valueIn(next, 'g') - valueIn(next, 'ΔR')).toBeCloseTo(next.result.value, 12);
    expect(gaps.find(({ id }) => id === 'RR')?.onNextTyresMm).toBe(
      gaps.find(({ id }) => id === 'RR')?.after.mm,
    );
  });

  test('from the ground the tyre’s whole diameter counts, less what it gives under its load', () => {
    const answer = answerOf((document) => {
      document.stance.tyreMm = { front: 600, rear: 600 };
      for (const id of fourCorners) document.corners[id].reference.kind = 'ground-arch';
    });
    const { pads, tyreRates } = answer.predictAt(answer.after).outcome.solver;
    const height = answer.corners[0]?.predictedMm ?? 0;
    const gap = must(wheelGaps(answer)[0] ?? null);
    expect(gap.after.mm).toBeCloseTo(height - 600 + (pads[0] ?? 0) / (tyreRates[0] ?? 1), 6);
    const sum = gapSum(gap, 'after', 600);
    expect(valueIn(sum, 'h') - (valueIn(sum, 'D') - valueIn(sum, 'u'))).toBeCloseTo(gap.after.mm, 9);
  });

  test('without tyres, or to a chassis point, nothing is said; rake needs like points', () => {
    expect(wheelGaps(answerOf())).toEqual([]);
    const unlike = answerOf((document) => {
      document.corners.LR.reference.kind = 'ground-chassis';
      document.corners.RR.reference.kind = 'ground-chassis';
      document.stance.tyreMm = { front: 600, rear: 600 };
    });
    expect(wheelGaps(unlike).map(({ id }) => id)).toEqual(['LF', 'RF']);
    expect(rakeOf(unlike, 2465)).toBeNull();
    const rake = must(rakeOf(answerOf(), 2465));
    expect(rake.after.mm).toBeCloseTo(4, 0);
    expect(Math.tan(rake.after.deg * RADIANS) * 2465).toBeCloseTo(rake.after.mm, 9);
  });
});

describe('links of bars', () => {
  const withBar = (document: JobDocument) =>
    (document.bars.front = { rateNPerMm: 20, hooked: false, linkMm: 120, linkPerWheel: 0.6 });
  const gap = (mm: number) => factEntry({ kind: 'link', round: 0, corner: 'RF', slot: 'gap', mm: mm });

  test('nobody measured, nothing told', () => {
    const job = jobOf(withBar);
    expect(linkLength(must(answerFor(job)), standingFacts(job), 'front')).toBeNull();
  });

  test('of two measurings the later one counts, however they were kept', () => {
    const later = factEntry({ kind: 'link', round: 1, corner: 'LF', slot: 'gap', mm: 5 });
    for (const order of [
      [gap(3), later],
      [later, gap(3)],
    ]) {
      const job = jobOf(withBar, ...order);
      expect(linkLength(must(answerFor(job)), standingFacts(job), 'front')).toMatchObject({
        gapMm: 5,
        corner: 'LF',
        round: 1,
      });
    }
  });

  test('length follows what its wheel goes up against the other, by the true machine', () => {
    const job = jobOf((document) => {
      withBar(document);
      document.cases = ['as measured', 'passenger in'];
      document.loads = [{ name: 'passenger', kg: 80, xMm: -150, yMm: -340, aboard: [false, true] }];
    }, gap(3));
    const answer = must(answerFor(job));
    const link = must(linkLength(answer, standingFacts(job), 'front'));
    const moves = fourCorners.map((id) => answer.corners.find((corner) => corner.id === id)?.seatBy ?? 0);
    const loaded = {
      ...car,
      truth: { ...car.truth, masses: [...car.truth.masses, { name: 'p', kg: 80, x: -150, y: -340 }] },
      seatsBy: moves,
    };
    // Height over the hub falls as travel grows: right less left travel is left less right height.
    const apart = ({ heightsMm: [l = 0, r = 0] }: { heightsMm: number[] }) => l - r;
    const wanted = 3 - 0.6 * (apart(standOf(loaded)) - apart(baseline));
    expect(Math.abs(link.gapThenMm - wanted)).toBeLessThan(0.35);
    expect(link.lengthMm).toBeCloseTo(120 + link.gapThenMm, 9);
    expect(linkSum(link, 120, 0.6).result.value).toBeCloseTo(link.lengthMm ?? 0, 9);
  });

  test('hooked up as it is it pushes by its rate, and at the right length not at all', () => {
    const pushed = (mm: number) => {
      const job = jobOf(withBar, gap(mm));
      return must(must(linkLength(must(answerFor(job)), standingFacts(job), 'front')).asItIs);
    };
    const job = jobOf(withBar, gap(0));
    const none = must(linkLength(must(answerFor(job)), standingFacts(job), 'front'));
    const right = pushed(-none.gapThenMm);
    expect(right.wheelN).toBeLessThan(0.5);
    expect(right.crossWith).toBeCloseTo(right.crossWithout, 5);
    // A gap of 6 mm is 10 mm of wheel difference, of which the wheels give way to some.
    const wrong = pushed(6 - none.gapThenMm);
    expect(wrong.wheelN).toBeGreaterThan(60);
    expect(wrong.wheelN).toBeLessThan(200);
    expect(Math.abs(wrong.crossWith - wrong.crossWithout)).toBeGreaterThan(0.005);
  });
});

describe('toe and camber against height', () => {
  const camber = (round: number, degrees: number) =>
    factEntry({ kind: 'camber', round, corner: 'LF', slot: '1', degrees });
  const toe = (round: number, front: number, rear: number) => [
    factEntry({ kind: 'toe', round, slot: 'front', mm: front }),
    factEntry({ kind: 'toe', round, slot: 'rear', mm: rear }),
  ];

  test('given what it gains, the plan’s shift is that times what it comes down', () => {
    const job = jobOf((document) => (document.corners.LF.camberPerMm = -0.02), camber(0, -1.5));
    const answer = must(answerFor(job));
    const shift = camberShift(answer, standingFacts(job), 'LF');
    const down = (answer.posterior.heightsByRound[0]?.[0] ?? 0) - (answer.corners[0]?.predictedMm ?? 0);
    expect(shift.downMm).toBeCloseTo(down, 0);
    expect(shift.after).toBeCloseTo(-1.5 - 0.02 * shift.downMm, 9);
    expect(shiftSum('Camber', shift, false)?.result.value).toBe(shift.after);
  });

  test('two readings at heights apart tell it; too near each other they do not', () => {
    const moved = standOf({ ...car, seatsBy: [-6, -6, -6, -6] });
    const down = (baseline.heightsMm[0] ?? 0) - (moved.heightsMm[0] ?? 0);
    const job = jobOf(
      undefined,
      ...fourCorners.map((id) => adjustment(1, id, -6)),
      ...padFacts(1, moved),
      camber(0, -1.5),
      camber(1, -1.5 - 0.025 * down),
      ...toe(0, 1500, 1501),
      ...toe(1, 1500.6, 1501),
    );
    const answer = must(answerFor(job));
    const shift = camberShift(answer, standingFacts(job), 'LF');
    expect([shift.source, Math.abs((shift.perMm ?? 0) + 0.025) < 0.002]).toEqual(['learnt', true]);
    const total = toeShift(answer, standingFacts(job));
    expect(total.now).toBeCloseTo(0.4, 12);
    expect((total.perMm ?? 0) * down).toBeCloseTo(-0.6, 1);
    const near = jobOf(undefined, ...padFacts(1, baseline), camber(0, -1.5), camber(1, -1.6));
    expect(camberShift(must(answerFor(near)), standingFacts(near), 'LF').source).toBeNull();
  });
});

describe('what could touch', () => {
  test('a table is read straight from row to row and on past its ends', () => {
    const one = { ...someClearance, rows: [[-40, 8], [0, 20], [40, 26]] as [number, number][] }; // oxfmt-ignore
    expect([-60, -40, -20, 0, 20, 60].map((mm) => distanceAfter(one, mm))).toEqual([2, 8, 14, 20, 23, 29]);
    expect(gainsAt(one, -20)).toBeCloseTo(0.3, 12);
    expect(distanceAfter({ ...someClearance, perMm: 0.5 }, -20)).toBe(50);
  });

  test('followed to both ends of the travel, and from the height it was measured at', () => {
    const answer = answerOf((document) => {
      document.corners.LF.clearances = [{ ...someClearance, nowMm: 60, atMm: 350 }];
      document.corners.LF.boots = [{ name: 'outer joint', nowDeg: 6, mostDeg: 20, shaftMm: 400 }];
    });
    const [arch, joint] = ledgerOf(answer);
    const [lf] = answer.corners;
    const first = answer.posterior.heightsByRound[0]?.[0] ?? 0;
    expect(arch?.now).toBeCloseTo(60 + first - 350, 1);
    expect((arch?.after ?? 0) - (arch?.now ?? 0)).toBeCloseTo((lf?.predictedMm ?? 0) - first, 0);
    // 1 : 1, so that the ends lie a whole travel apart.
    expect((arch?.atDroop ?? 0) - (arch?.atBump ?? 0)).toBeCloseTo(140, 9);
    expect(joint?.atDroop).toBeGreaterThan(joint?.after ?? 0);
    const risen = (joint?.after ?? 0) > 6 ? 1 : -1;
    expect(Math.sign((lf?.predictedMm ?? 0) - first)).toBe(risen);
  });

  test('every figure of the ledger opens to its own rise: table, ratio and shaft alike', () => {
    const answer = answerOf((document) => {
      document.corners.LF.clearances = [
        { ...someClearance, nowMm: 60, perMm: 0.4, atMm: 350 },
        { ...someClearance, name: 'coil', rows: [[-80, 4], [0, 20], [80, 30]] }, // oxfmt-ignore
      ];
      document.corners.LF.boots = [{ name: 'joint', nowDeg: 6, mostDeg: 20, shaftMm: 400 }];
    });
    const { clearances, boots } = answer.document.corners.LF;
    for (const line of ledgerOf(answer))
      for (const when of ['now', 'after', 'atBump', 'atDroop'] as const) {
        const [one, boot] = [clearances[line.index], boots[line.index]];
        const sum =
          line.kind === 'joint'
            ? jointSum(must(boot ?? null), 'LF', line.risenMm[when])
            : clearanceSum(must(one ?? null), 'LF', line.risenMm[when]);
        expect(sum.result.value).toBeCloseTo(line[when], 9);
      }
    const rake = must(rakeOf(answer, 2465));
    for (const when of ['now', 'after'] as const) {
      const sum = rakeSum(rake, when, 2465);
      expect(valueIn(sum, 'h rear') - valueIn(sum, 'h front')).toBeCloseTo(sum.result.value, 9);
    }
  });

  test('tie rods: from toe as it will be to toe wanted, by arm, tyre and pitch', () => {
    const { document } = answerOf();
    document.steering = { ...document.steering, toeMm: 2, tyreMm: 600, armMm: 130, pitchMm: null };
    const sum = rodSum(-1.5, document);
    const [a, D, p] = ['a', 'D', 'p'].map((symbol) => valueIn(sum, symbol)) as [number, number, number];
    expect(sum.result.value).toBeCloseTo((a * (2 + 1.5)) / (2 * D * p), 12);
    expect(sum.inputs.map(({ source }) => source)).toEqual([
      'sheet',
      'computed',
      'measured',
      'measured',
      'assumed',
    ]);
  });

  test('a shaft’s angle by hand: 10° on 400 mm raised 30 mm', () => {
    const wanted = Math.asin(Math.sin(10 * RADIANS) + 30 / 400) / RADIANS;
    expect(angleAfter({ nowDeg: 10, shaftMm: 400 }, 30)).toBeCloseTo(wanted, 12);
    expect(angleAfter({ nowDeg: 10, shaftMm: 400 }, 5000)).toBe(90);
  });

  test('an angle’s sum says what limits it', () => {
    const deg = rampUnder(300, 700, 140) / RADIANS;
    const sum = angleSum({
      title: 'Approach',
      by: 'lip',
      deg,
      heightMm: 140,
      tyres: [{ axle: 'front', radiusMm: 300, awayMm: 700 }],
    });
    const [h = 0, R = 0, a = 0] = sum.inputs.map(({ value }) => value);
    // What went in gives the result by the formula that stands there.
    const t = sum.result.value * RADIANS;
    expect(a * Math.sin(t) + (R - h) * Math.cos(t)).toBeCloseTo(R, 6);
  });
});

describe('height by the spring’s collar on a damper with a lower mount', () => {
  const mounted =
    (edit: (document: JobDocument) => void = () => undefined) =>
    (document: JobDocument) => {
      for (const id of fourCorners)
        document.corners[id].mount = { pitchMm: 2, threadMm: 40, engagedMm: 70, leastMm: null, mostMm: 90 };
      edit(document);
    };

  test('the plan itself moves mounts and leaves the collars alone', () => {
    const answer = answerOf(mounted());
    expect(answer.corners.every(({ seatBy }) => seatBy === 0)).toBe(true);
    expect(answer.corners.some(({ mountMm }) => mountMm !== 0)).toBe(true);
    expect(fourCorners.flatMap((id) => collarMistake(answer, id) ?? [])).toEqual([]);
  });

  test('a collar moved for height is recognised, with what it cost and what would have done it', () => {
    const moved = standOf({ ...car, seatsBy: [8, 0, 0, 0] });
    const answer = answerOf(mounted(), adjustment(1, 'LF', 8), ...padFacts(1, moved));
    const mistake = must(collarMistake(answer, 'LF'));
    expect(mistake).toMatchObject({ by: 'moved', movedMm: 8, mountMm: 8 });
    expect(mistake.preloadMm).toBeCloseTo(30, 0);
    const { what, cure } = mistakeWords(mistake, (mm) => `${mm.toFixed(0)} mm`);
    expect(what).toContain('moved 8 mm up for height');
    expect(cure).toContain('lower mount out by the same');
    expect(collarMistake(answer, 'RF')).toBeNull();
  });

  test('little droop under a wound-up spring is told at the baseline; a loose one too', () => {
    const tight = answerOf(mounted((document) => {
      document.corners.LF.preloadMm = 62;
      document.corners.LF.springs[0] = { ...must(document.corners.LF.springs[0] ?? null), rateNPerMm: 32 };
    }), factEntry({ kind: 'travel-used', round: 0, corner: 'LF', slot: 'now', mm: 16 })); // oxfmt-ignore
    expect(collarMistake(tight, 'LF')?.by).toBe('little-droop');
    const loose = answerOf(mounted((document) => (document.corners.LF.preloadMm = -6)));
    expect(collarMistake(loose, 'LF')?.by).toBe('loose');
    const wanted = answerOf(mounted((document) => (document.corners.LF.sagMm = 50)));
    expect(collarMistake(wanted, 'LF')).toBeNull();
  });
});
