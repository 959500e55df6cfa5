import { blankDocument } from '../document/create.ts';
import type { CornerDocument, JobDocument } from '../document/types.ts';
import { cornerSpec } from '../estimate/corner.ts';
import type { CornerId } from '../kinds/corners.ts';
import { wayNamed, wayOf } from './index.ts';
import type { Standing } from './way.ts';

const standing = (
  id: CornerId,
  parts: Partial<CornerDocument>,
  rest: Partial<Pick<Standing, 'collarMm' | 'seatBy'>> = {},
): Standing => {
  const document: JobDocument = blankDocument(id === 'RA' ? 'snowmobile' : 'car', 'Petrel');
  Object.assign(document.corners[id], parts);
  return { corner: document.corners[id], spec: cornerSpec(document, id), collarMm: null, seatBy: 0, ...rest };
};
const ask = (at: Standing) => {
  const way = wayOf(at.corner);
  return {
    name: wayNamed(at.corner),
    room: way.room(at),
    steps: way.steps(at),
    oneMore: way.oneMore(at),
    carried: way.carried(at),
    told: (by: number) => way.told(at, by),
  };
};

describe('wound on a thread', () => {
  const collar = { minMm: 30, maxMm: 90, grows: 'with-seat' as const, datum: '' };

  test('goes by turns to a reading, as far as its thread lets it', () => {
    const at = ask(standing('LF', { pitchMm: 1.5, collar }, { collarMm: 50 }));
    expect(at).toMatchObject({ name: 'thread', room: { down: -20, up: 40 }, oneMore: 1.5 });
    // An eighth of a turn is the least that is told.
    expect(at.steps).toEqual({ stepBy: 1.5 / 8 });
    expect(at.told(-6)).toEqual({ turns: -4, steps: null, stopAtMm: 44, cam: null, airBar: null });
  });

  test('thread left as it was found bounds it too, less what it has gone since', () => {
    const found = { pitchMm: 2, threadUpMm: 8, threadDownMm: 20 };
    expect(ask(standing('LF', found)).room).toEqual({ up: 8, down: -20 });
    expect(ask(standing('LF', found, { seatBy: 5 })).room).toEqual({ up: 3, down: -25 });
    // The nearer of the two ends counts.
    expect(ask(standing('LF', { ...found, collar }, { collarMm: 86 })).room).toEqual({ up: 4, down: -20 });
    expect(ask(standing('LF', found, { seatBy: 9 })).room.up).toBe(0);
  });

  test('a reading that shrinks as the seat goes up counts the other way, its room too', () => {
    const shrinks = { ...collar, grows: 'against-seat' as const };
    const at = ask(standing('LF', { pitchMm: 2, collar: shrinks }, { collarMm: 50 }));
    expect(at.room).toEqual({ down: -40, up: 20 });
    expect(at.told(6).stopAtMm).toBe(44);
  });

  test('the next job begins with the preload it has now; what was never given stays so', () => {
    expect(ask(standing('LF', { preloadMm: 12 }, { seatBy: -5 })).carried).toMatchObject({ preloadMm: 7 });
    expect(ask(standing('LF', {}, { seatBy: -5 })).carried).toEqual({
      preloadMm: null,
      cam: null,
      air: null,
    });
  });
});

test('grooves, leaves and shims go by whole steps of their own height', () => {
  const at = ask(standing('LF', { fitting: 'grooves', stepMm: 6, pitchMm: 2 }, { collarMm: 40 }));
  expect(at).toMatchObject({ name: 'steps', oneMore: 6, steps: { stepBy: 6 } });
  expect(at.told(-12)).toMatchObject({ steps: -2, stopAtMm: 28, cam: null, airBar: null });
});

describe('a cam', () => {
  const torsion = {
    rateNMmPerDeg: 1900,
    count: 2 as const,
    leverMm: 90,
    camDegrees: [20, 32, 50],
    mostDegrees: null,
    halves: false,
  };
  const arc = (degrees: number) => (degrees * Math.PI * 90) / 180;

  test('goes to its positions alone, wherever it stands', () => {
    const at = ask(standing('RA', { fitting: 'cam', torsion, cam: 1 }));
    expect(at.name).toBe('positions');
    const choices = [arc(20) - arc(32), 0, arc(50) - arc(32)];
    at.steps.choicesBy?.forEach((by, k) => expect(by).toBeCloseTo(choices[k] ?? NaN, 9));
    expect(at.room.down).toBeCloseTo(choices[0] ?? NaN, 9);
    expect(at.room.up).toBeCloseTo(choices[2] ?? NaN, 9);
    expect(at.oneMore).toBeCloseTo(arc(18), 9);
    expect(at.told(arc(18))).toEqual({
      turns: 0,
      steps: null,
      stopAtMm: null,
      cam: { now: 1, after: 2 },
      airBar: null,
    });
  });

  test('moved on by a round it is told and carried on from where it stands then', () => {
    const at = ask(standing('RA', { fitting: 'cam', torsion, cam: 1 }, { seatBy: arc(18) }));
    expect(at.room.up).toBeCloseTo(0, 9);
    expect(at.room.down).toBeCloseTo(-arc(30), 9);
    // At the last one, one more is what going back one would take away.
    expect(at.oneMore).toBeCloseTo(arc(18), 9);
    expect(at.told(-arc(30)).cam).toEqual({ now: 2, after: 0 });
    expect(at.carried.cam).toBe(2);
    const unsaid = (seatBy: number) =>
      ask(standing('RA', { fitting: 'cam', torsion, cam: null }, { seatBy })).carried.cam;
    expect([unsaid(0), unsaid(arc(12))]).toEqual([null, 1]);
  });
});

describe('air', () => {
  const air = { gaugeBar: 6, volumeCm3: 240, areaMm2: 1100, exponent: 1.1, second: null };

  test('goes by tenths of a bar, down to nothing', () => {
    const at = ask(standing('LF', { fitting: 'air', air }, { seatBy: -5 }));
    expect(at).toMatchObject({ name: 'pressure', steps: { stepBy: 1 }, oneMore: 1 });
    expect(at.room.down).toBeCloseTo(-55, 9);
    expect(at.room.up).toBe(Infinity);
    const { airBar, ...rest } = at.told(8);
    expect(airBar?.now).toBeCloseTo(5.5, 9);
    expect(airBar?.after).toBeCloseTo(6.3, 9);
    expect(rest).toEqual({ turns: 0, steps: null, stopAtMm: null, cam: null });
    expect(at.carried.air?.gaugeBar).toBeCloseTo(5.5, 9);
  });

  test('never holds more than the chamber behind it', () => {
    const second = { gaugeBar: 9.5, volumeCm3: 100 };
    const at = ask(standing('LF', { fitting: 'air', air: { ...air, second } }, { seatBy: 10 }));
    expect(at.room.up).toBeCloseTo(25, 9);
    expect(at.room.down).toBeCloseTo(-70, 9);
  });

  test('what nobody said stays unsaid until it is set', () => {
    const blank = { ...air, gaugeBar: null };
    const carried = (seatBy: number) =>
      ask(standing('LF', { fitting: 'air', air: blank }, { seatBy })).carried.air?.gaugeBar;
    expect(carried(0)).toBeNull();
    expect(carried(10)).toBeGreaterThan(1);
  });
});
