import { plainDocument } from '../../../tests/fixtures/records.ts';
import { rakeDegrees, seesTyres, targetsFor } from './ownersGoals.ts';

const now = { LF: 371, RF: 369, LR: 380, RR: 377 };
const ground = plainDocument((document) => {
  for (const corner of Object.values(document.corners)) corner.reference.kind = 'ground-arch';
});

test('down or up from today, by axle', () => {
  expect(targetsFor({ kind: 'from-today', frontMm: -30, rearMm: -25.4 }, plainDocument(), now)).toEqual({
    LF: 341,
    RF: 339,
    LR: 354.6,
    RR: 351.6,
  });
  // What was not read cannot be counted from.
  expect(targetsFor({ kind: 'from-today', frontMm: 5, rearMm: 5 }, plainDocument(), { LF: 371 })).toEqual({
    LF: 376,
  });
});

test('level is the middle of each axle, and needs both its sides', () => {
  expect(targetsFor({ kind: 'level' }, plainDocument(), now)).toEqual({
    LF: 370,
    RF: 370,
    LR: 378.5,
    RR: 378.5,
  });
  expect(targetsFor({ kind: 'level' }, plainDocument(), { LF: 371, LR: 380, RR: 377 })).toEqual({
    LR: 378.5,
    RR: 378.5,
  });
});

test('equal gaps, and a rake over the front', () => {
  expect(Object.values(targetsFor({ kind: 'equal', heightMm: 360 }, plainDocument(), {}))).toEqual([
    360, 360, 360, 360,
  ]);
  expect(targetsFor({ kind: 'rake', frontMm: 350, rakeMm: 12 }, plainDocument(), {})).toMatchObject({
    LF: 350,
    RR: 362,
  });
  // 12 mm over an assumed wheelbase of 2600 mm.
  expect(rakeDegrees(plainDocument(), 12)).toBeCloseTo((Math.atan(12 / 2600) * 180) / Math.PI, 9);
});

test('other tyres move targets from the ground by half their difference, and leave hub to arch alone', () => {
  const goal = { kind: 'tyres', fromMm: 784, toMm: 815 } as const;
  expect(targetsFor(goal, ground, now).LF).toBe(365 + 15.5);
  expect(targetsFor(goal, plainDocument(), now).LF).toBe(365);
  expect([seesTyres(ground), seesTyres(plainDocument())]).toEqual([true, false]);
});

test('one end matches the other as it stands, or so much higher; or stays as it stands', () => {
  expect(targetsFor({ kind: 'match', axle: 'front', moreMm: 0 }, plainDocument(), now)).toEqual({
    LF: 378.5,
    RF: 378.5,
  });
  expect(targetsFor({ kind: 'match', axle: 'rear', moreMm: 12 }, plainDocument(), { LF: 371 })).toEqual({
    LR: 383,
    RR: 383,
  });
  expect(targetsFor({ kind: 'match', axle: 'front', moreMm: 0 }, plainDocument(), { LF: 371 })).toEqual({});
  expect(targetsFor({ kind: 'stays', axle: 'rear' }, plainDocument(), now)).toEqual({ LR: 380, RR: 377 });
});

test('as far as it goes: by what is left of the thread, said or known, and what that gives at the wheel', () => {
  const reach = (upMm: number, downMm: number) => ({ upMm, downMm, gain: 1.4 });
  const goal = (kind: 'highest' | 'lowest', leftMm: number | null) =>
    targetsFor({ kind, axle: 'rear', leftMm }, plainDocument(), now, {
      LR: reach(10, Infinity),
      RR: reach(Infinity, 5),
    });
  expect(goal('highest', 8)).toEqual({ LR: 391.2, RR: 388.2 });
  // Of a side whose limits nobody gave nothing is said.
  expect(goal('highest', null)).toEqual({ LR: 394 });
  expect(goal('lowest', null)).toEqual({ RR: 370 });
  expect(targetsFor({ kind: 'highest', axle: 'rear', leftMm: 8 }, plainDocument(), {}, {})).toEqual({});
});

test('down from the standard heights, or as a sheet specifies them, nothing need be read', () => {
  const lowered = {
    kind: 'from-standard',
    frontMm: 390,
    frontDownMm: 30,
    rearMm: 395,
    rearDownMm: 25,
  } as const;
  expect(targetsFor(lowered, plainDocument(), {})).toEqual({ LF: 360, RF: 360, LR: 370, RR: 370 });
  const sheet = { kind: 'specified', frontMm: 785, rearMm: 790 } as const;
  expect(targetsFor(sheet, plainDocument(), {})).toEqual({ LF: 785, RF: 785, LR: 790, RR: 790 });
});
