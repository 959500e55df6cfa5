import fc from 'fast-check';
import { FaultList } from '../faults.ts';
import { linkageDroopShift, linkageTable, type LinkageDescription } from './linkage.ts';
import { checkRatio, ratioMap, type RatioDescription } from './ratioMap.ts';

const read = (ratio: RatioDescription, z: number, travel = 200) => {
  const map = ratioMap(ratio, travel);
  map.evaluate(z);
  return map;
};
const faultsOf = (ratio: RatioDescription) => {
  const faults = new FaultList();
  checkRatio('ratio', ratio, 200, faults);
  return faults.faults.map(({ path }) => path);
};

describe('ratio sources', () => {
  test('constant, rising, and by two levers and an angle', () => {
    expect(read({ kind: 'constant', ratio: 0.5 }, 80).value).toBeCloseTo(40, 12);
    const rising = read({ kind: 'constant', ratio: 0.5, rise: 0.2 }, 100);
    expect(rising.slope).toBeCloseTo(0.55, 12);
    expect(rising.value).toBeCloseTo(52.5, 12);
    const levers = read({ kind: 'levers', damperLeverMm: 200, wheelLeverMm: 400, damperAngleDeg: 60 }, 100);
    expect(levers.slope).toBeCloseTo(0.5 * Math.sin(Math.PI / 3), 12);
  });

  test('a table passes through its rows and never turns back between them', () => {
    const step = fc.tuple(
      fc.double({ min: 1, max: 60, noNaN: true }),
      fc.double({ min: 0.5, max: 60, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(step, { minLength: 2, maxLength: 9 }), (steps) => {
        const rows: [number, number][] = [[0, 0]];
        for (const [dz, ds] of steps) {
          const [z, s] = rows.at(-1) as [number, number];
          rows.push([z + dz, s + ds]);
        }
        const map = ratioMap({ kind: 'table', rows }, 200);
        for (const [z, s] of rows) {
          map.evaluate(z);
          expect(map.value).toBeCloseTo(s, 9);
        }
        const end = rows.at(-1)?.[0] ?? 0;
        const values = Array.from({ length: 300 }, (_, i) => {
          map.evaluate((end * i) / 300);
          return [map.value, map.slope] as const;
        });
        expect(values.every(([s, slope], i) => slope > -1e-9 && s > (values[i - 1]?.[0] ?? -1) - 1e-9)).toBe(
          true,
        );
      }),
    );
  });

  test('faults name the row or the lever', () => {
    expect(
      faultsOf({
        kind: 'table',
        rows: [
          [0, 0],
          [50, 30],
          [40, 45],
        ],
      }),
    ).toEqual(['ratio.rows[2][0]']);
    expect(faultsOf({ kind: 'constant', ratio: NaN })).toEqual(['ratio.ratio']);
    expect(faultsOf({ kind: 'levers', damperLeverMm: 0, wheelLeverMm: 4, damperAngleDeg: 0 })).toEqual([
      'ratio.damperLeverMm',
      'ratio.damperAngleDeg',
    ]);
  });
});

describe('a linkage', () => {
  /** A parallelogram: the rocker turns as the arm does, and a square damper at half the arm's reach moves half. */
  const parallel: LinkageDescription = {
    armPivot: [0, 0],
    axle: [-500, 0],
    linkOnArm: [-100, 0],
    rockerPivot: [0, 200],
    linkOnRocker: [-100, 200],
    damperOnRocker: [-100, 200],
    damperOnFrame: [-100, 9200],
  };

  test('a parallelogram with a far-off damper: damper per wheel is the ratio of the reaches', () => {
    const rows = linkageTable(parallel, 120);
    expect(rows.at(-1)?.[0]).toBeCloseTo(120, 9);
    for (const [z, s] of rows) expect(s).toBeCloseTo(z / 5, 2);
  });

  test('the damper is square to nothing else: virtual work holds along the whole travel', () => {
    const bent: LinkageDescription = {
      ...parallel,
      linkOnRocker: [-80, 230],
      damperOnRocker: [60, 260],
      damperOnFrame: [300, 240],
    };
    const rows = linkageTable(bent, 120);
    expect(rows.every(([, s], i) => i === 0 || s > (rows[i - 1]?.[1] ?? 0))).toBe(true);
    expect(faultsOf({ kind: 'linkage', ...bent })).toEqual([]);
  });

  test('longer links under the rocker leave the damper extended and the wheel lower; shorter ones lower the machine', () => {
    // On the parallelogram the arm's link end sinks by the added length, the axle by five times that.
    expect(linkageDroopShift({ ...parallel, linkLongerMm: 2 })).toBeCloseTo(-10, 0);
    expect(linkageDroopShift({ ...parallel, linkLongerMm: -2 })).toBeCloseTo(10, 0);
    const [first] = linkageTable({ ...parallel, linkLongerMm: -2 }, 120);
    expect(first).toEqual([0, 0]);
  });

  test('one that cannot be moved is refused', () => {
    expect(faultsOf({ kind: 'linkage', ...parallel, damperOnFrame: [-100, -400] })).toEqual(['ratio']);
    expect(faultsOf({ kind: 'linkage', ...parallel, axle: [-90, NaN] })).toContain('ratio.axle[1]');
    expect(faultsOf({ kind: 'linkage', ...parallel, axle: [-90, 0] })).toEqual(['ratio']);
  });
});
