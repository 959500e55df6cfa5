import type { BookJob } from '#contract/api.ts';
import { settingsOf } from '#core/book/settings.ts';
import { allCorners, twinOf } from '#core/kinds/corners.ts';
import { contactPoint } from '#core/machine/body.ts';
import { cornersOf, footingOf } from '#core/kinds/classes/index.ts';
import { classDefaults, machineClasses } from '#core/kinds/classes/index.ts';
import { add, adjustment, heights, measured, settled } from '../../../tests/fixtures/records.ts';
import { classPictures } from '../drawing/classes/index.ts';
import { cornerNumbers } from '../ui/words.ts';
import { machineOf, pageWords } from '../features/logbook/machines.ts';

describe('the logbook', () => {
  const job = (id: string, machineId: string | null, at: string): BookJob => {
    const record = add(measured(375), adjustment(1, 'LF', -5), settled(1), ...heights(1, 366));
    const settings = settingsOf(record).map((setting, k) => ({ ...setting, at: `${at}T0${k}:00:00.000Z` }));
    return { id, name: id, title: '', machineClass: 'car', machineId, settings };
  };

  test('the jobs on one machine make one book, newest page first', () => {
    const book = machineOf('m', [job('first', 'm', '2026-03-01'), job('second', 'm', '2026-04-01')]);
    expect(book?.name).toBe('second');
    expect(book?.pages.map(({ key }) => key)).toEqual(['second.1', 'second.0', 'first.1', 'first.0']);
  });

  test('a page says when, in which job and at which round', () => {
    const [page] = machineOf('m', [job('Sandpiper', null, '2026-03-01')])?.pages ?? [];
    expect(page && pageWords(page)).toMatch(/2026, Sandpiper, round 1$/);
    expect(page && pageWords({ ...page, setting: { ...page.setting, round: 0, locked: true } })).toMatch(
      /, baseline, locked$/,
    );
  });

  test('nothing measured, nothing in the book', () => {
    expect(machineOf('m', [])).toBeNull();
  });
});

describe('every class', () => {
  test.each(machineClasses.map((one) => [one]))(
    '%s is drawn with all it stands on inside the picture',
    (one) => {
      const footprint = { class: one, wheelbaseMm: null, trackFrontMm: null, trackRearMm: null };
      const { wheelbaseMm, trackMm } = classDefaults[one];
      const outline = classPictures[one].above(wheelbaseMm, Math.max(trackMm.front, trackMm.rear));
      expect(outline.body).toMatch(/^M.*Z$/);
      expect(outline.body).not.toContain('NaN');
      for (const id of cornersOf(one)) {
        const { x, y } = contactPoint(footprint, id);
        expect(Math.abs(y)).toBeLessThanOrEqual(outline.width / 2);
        expect(x).toBeLessThanOrEqual(wheelbaseMm * (0.5 + outline.nose));
        expect(x).toBeGreaterThanOrEqual(-wheelbaseMm * (0.5 + outline.tail));
      }
      expect(outline.armMm === null).toBe(footingOf(one) === 'bikes');
    },
  );

  test('corners are numbered in measuring order, and twins know each other', () => {
    for (const one of machineClasses)
      expect(cornersOf(one).map((id) => cornerNumbers[id])).toEqual(cornersOf(one).map((_, k) => k + 1));
    for (const id of allCorners) {
      const twin = twinOf(id);
      if (twin) expect(twinOf(twin)).toBe(id);
    }
  });

  test('a skid’s front arm stands where it was measured, else where it usually does', () => {
    const footprint = {
      class: 'snowmobile' as const,
      wheelbaseMm: 1500,
      trackFrontMm: null,
      trackRearMm: null,
    };
    expect(contactPoint(footprint, 'FA').x).toBeCloseTo(-750 + 600, 9);
    expect(contactPoint({ ...footprint, armAheadMm: 520 }, 'FA').x).toBeCloseTo(-230, 9);
  });
});
