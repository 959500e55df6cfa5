import type { CornerSetting } from '#core/book/settings.ts';
import type { Page } from './machines.ts';
import { planBack } from './planBack.ts';

const setting = (more: Partial<CornerSetting> = {}): CornerSetting => ({
  heightMm: 360,
  collarMm: 90,
  camHalves: false,
  assembledIn: 0,
  collarRead: true,
  seatMm: 0,
  pitchMm: 2,
  pitchAssumed: false,
  readingSign: 1,
  mountMm: 0,
  cam: null,
  airBar: null,
  sag: null,
  compression: null,
  rebound: null,
  ...more,
});

function page(job: string, corner: CornerSetting | null): Page {
  const corners = corner ? { LF: corner } : {};
  return {
    key: job,
    job: { id: job, machineClass: 'car' } as Page['job'],
    setting: { round: 0, at: '', locked: false, corners, rider: null, blocks: null, strap: null },
  };
}
const back = (a: CornerSetting | null, b: CornerSetting | null, sameJob = true) =>
  planBack(page('one', a), page(sameJob ? 'one' : 'two', b)).corners.LF;

test('a seat goes to where its collar stood, in turns of its own pitch', () => {
  expect(back(setting({ collarMm: 96, seatMm: 6 }), setting({ heightMm: 355 }))).toEqual({
    seatMm: -6,
    turns: -3,
    stopAtMm: 90,
    heightMm: 355,
    heightSdMm: 2,
  });
});

test('a collar that reads the other way goes the other way', () => {
  const down = { readingSign: -1 as const };
  expect(back(setting({ collarMm: 96, ...down }), setting({ collarMm: 90, ...down }), false)?.seatMm).toBe(6);
});

test('what is known of one setting only is not told', () => {
  expect(back(setting(), null)).toBeUndefined();
  expect(back(setting({ collarMm: null }), setting({ collarMm: null }), false)).toBeUndefined();
});

test('air goes to its pressure, to a tenth of a bar, and moves no seat', () => {
  const told = back(setting({ airBar: 5.02 }), setting({ airBar: 4.6, collarMm: null }));
  expect(told).toMatchObject({ seatMm: 0, turns: 0, airToBar: 4.6, airByBar: -0.4 });
});

test('a cam goes to its position within one job; from another job how far its arc lifts is not known', () => {
  const [a, b] = [setting({ cam: 3, seatMm: 8 }), setting({ cam: 1, seatMm: 2 })];
  expect(back(a, b)).toMatchObject({ seatMm: -6, camTo: 1 });
  expect(back(a, b, false)).toBeUndefined();
});

test('a lower mount goes back within one job alone', () => {
  const [a, b] = [setting({ mountMm: 5 }), setting({ mountMm: 2 })];
  expect(back(a, b)?.mountMm).toBe(-3);
  expect(back(a, b, false)).not.toHaveProperty('mountMm');
});
