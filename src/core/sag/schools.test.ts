import { followingTravel } from './followTravel.ts';
import { must } from '../../../tests/fixtures/records.ts';
import { windowWords } from '#words/sagWindows.ts';
import { classDefaults, cornersOf, machineClasses, type MachineClass } from '../kinds/classes/index.ts';
import { blankDocument } from '../document/create.ts';
import { inSystem, sagWindows } from './sagWindows.ts';
import { isAsked, isRough, limitsOf, middleOf, schoolOf, schoolsAt } from './schools.ts';

const idsOf = (machineClass: MachineClass) => schoolsAt(blankDocument(machineClass, 'x'), cornersOf(machineClass)[0] ?? 'FW', 'rider').map(({ id }) => id); // oxfmt-ignore

describe('schools of sag', () => {
  test('each stands in order, and is met on something that is ridden', () => {
    for (const one of sagWindows) {
      expect(one.low).toBeLessThan(one.high);
      expect(machineClasses.filter((each) => classDefaults[each].sagHabits.includes(one.id))).not.toEqual([]);
      expect(windowWords(one, (mm) => `${mm} mm`).why.length).toBeGreaterThan(10);
    }
    expect(new Set(sagWindows.map(({ id }) => id)).size).toBe(sagWindows.length);
    const known = sagWindows.map(({ id }) => id);
    for (const each of machineClasses)
      for (const habit of classDefaults[each].sagHabits) expect(known).toContain(habit);
  });

  test('road and rough machines have their own; a car has none', () => {
    expect(idsOf('motorcycle')).not.toEqual(idsOf('dual-purpose'));
    expect(idsOf('car')).toEqual([]);
  });

  test('a ski’s is read at its shaft, the skid’s at its mark', () => {
    const sled = blankDocument('snowmobile', 'x');
    expect(schoolsAt(sled, 'LS', 'static').every(({ at }) => at === 'shaft')).toBe(true);
    expect(schoolsAt(sled, 'RA', 'rider').every(({ at }) => at !== 'shaft')).toBe(true);
  });

  test('limits: shares go with travel, the shaft’s with the ratio, millimetres stay', () => {
    const bike = blankDocument('dual-purpose', 'x');
    bike.corners.RW.travelMm = 300;
    const third = sagWindows.find(({ id }) => id === 'third');
    if (!third) throw new Error('expected the school of a third');
    expect(limitsOf(bike, 'RW', third)).toEqual({ fromMm: 90, toMm: 108 });
    const sled = blankDocument('snowmobile', 'x');
    sled.corners.LS.ratio = 0.5;
    const [shaft] = schoolsAt(sled, 'LS', 'static');
    if (!shaft) throw new Error('expected a school of skis');
    const limits = limitsOf(sled, 'LS', shaft);
    expect([limits.fromMm, limits.toMm]).toEqual([Math.round(shaft.low / 0.5), Math.round(shaft.high / 0.5)]);
    // A ratio from pairs counts by its mean.
    sled.corners.LS.ratioFrom = { kind: 'table', rows: [[0, 0], [120, 45], [240, 120]] }; // oxfmt-ignore
    sled.corners.LS.travelMm = 240;
    expect(limitsOf(sled, 'LS', shaft).fromMm).toBe(Math.round(shaft.low / 0.5));
  });

  test('a window that is a school’s is told as that, anybody’s own as none', () => {
    const bike = blankDocument('motorcycle', 'x');
    const [first] = schoolsAt(bike, 'RW', 'rider');
    if (!first) throw new Error('expected a school');
    bike.corners.RW.sagWindow = limitsOf(bike, 'RW', first);
    expect(schoolOf(bike, 'RW', 'rider')?.id).toBe(first.id);
    bike.corners.RW.sagWindow = { fromMm: 7, toMm: 8 };
    expect([schoolOf(bike, 'RW', 'rider'), schoolOf(bike, 'RW', 'static')]).toEqual([null, null]);
    expect(middleOf({ fromMm: 7, toMm: 8 })).toBe(7.5);
  });

  test('a skid’s front arm is set by feel; rough ground takes the firmer of two', () => {
    expect([isAsked('FA'), isAsked('RA')]).toEqual([false, true]);
    expect(
      (['dual-purpose', 'snowmobile', 'motorcycle', 'scooter', 'car'] as const).map((one) =>
        isRough(blankDocument(one, 'x')),
      ),
    ).toEqual([true, true, false, false, false]);
  });
});

test('readers in inches have windows in round inches, and what was chosen stays what it is', () => {
  const sled = blankDocument('snowmobile', 'x');
  const [usual] = schoolsAt(sled, 'RA', 'rider', 'in');
  const window = limitsOf(sled, 'RA', must(usual ?? null));
  expect(window.fromMm / 25.4).toBeCloseTo(2, 9);
  expect(window.toMm / 25.4).toBeCloseTo(3, 9);
  expect(windowWords(must(usual ?? null), (mm) => (mm / 25.4).toFixed(0)).title).toBe('2 to 3');
  sled.corners.RA.sagWindow = window;
  expect(schoolOf(sled, 'RA', 'rider')?.id).toBe('sled-rear');
  // In millimetres it is somebody's own: 50.8 to 76.2 is not 50 to 75.
  expect(schoolOf(sled, 'RA', 'rider', schoolsAt(sled, 'RA', 'rider'))).toBeNull();
});

test('every window in inches is about the one in millimetres', () => {
  for (const one of sagWindows.filter(({ unit }) => unit === 'mm')) {
    const inches = inSystem(one, 'in');
    expect(Math.abs(inches.low - one.low)).toBeLessThanOrEqual(4);
    expect(Math.abs(inches.high - one.high)).toBeLessThanOrEqual(4);
  }
});

test('a window that is a share of the travel follows when that is corrected; one in mm, or somebody’s own, stays', () => {
  const document = blankDocument('dual-purpose', 'Knot');
  const [share] = schoolsAt(document, 'RW', 'rider').filter(({ unit }) => unit === 'share of travel');
  const window = share ? limitsOf(document, 'RW', share) : null;
  Object.assign(document.corners.RW, { sagWindow: window, sagMm: window && middleOf(window) });
  const to = (mm: number) => followingTravel(document, [[['corners', 'RW', 'travelMm'], mm]]);
  const [low, high] = [share?.low ?? NaN, share?.high ?? NaN];
  const fitted = { fromMm: Math.round(290 * low), toMm: Math.round(290 * high) };
  expect(to(290)).toEqual([
    [['corners', 'RW', 'sagWindow'], fitted],
    [['corners', 'RW', 'sagMm'], middleOf(fitted)],
  ]);
  // Aimed at beside the middle, that stays.
  document.corners.RW.sagMm = 70;
  expect(to(290).map(([path]) => path.at(-1))).toEqual(['sagWindow']);
  document.corners.RW.sagWindow = { fromMm: 61.5, toMm: 82 };
  expect(to(290)).toEqual([]);
  expect(followingTravel(document, [[['corners', 'RW', 'pitchMm'], 2]])).toEqual([]);
});
