import { analyse } from '../analysis/analyse.ts';
import { blankDocument } from '../document/create.ts';
import { nextWords } from '#words/nextAction.ts';
import { lineOf } from '../analysis/line.ts';
import {
  adjustment,
  add,
  collars,
  factEntry,
  heights,
  measured,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { seatBetween, settingsOf, type CornerSetting } from './settings.ts';

const corner = (part: Partial<CornerSetting>): CornerSetting => ({
  heightMm: 365,
  collarMm: null,
  camHalves: false,
  assembledIn: 0,
  seatMm: 0,
  pitchMm: 2,
  pitchAssumed: false,
  collarRead: true,
  readingSign: 1,
  mountMm: 0,
  cam: null,
  sag: null,
  compression: null,
  rebound: null,
  airBar: null,
  ...part,
});

test('a job of two rounds has two settings, the moves carried into the second', () => {
  const job = add(measured(375), adjustment(1, 'LF', -5), settled(1), ...heights(1, 366));
  const [first, second] = settingsOf(job);
  expect(first).toMatchObject({
    round: 0,
    locked: false,
    corners: { LF: { heightMm: 375, collarMm: 90, collarRead: true, seatMm: 0 } },
  });
  expect(second?.corners.LF).toMatchObject({
    heightMm: 366,
    collarMm: 85,
    collarRead: false,
    seatMm: -5,
    pitchMm: 2,
    pitchAssumed: false,
  });
  expect(second?.corners.RR).toMatchObject({ heightMm: 366, collarMm: 90, seatMm: 0 });
  const locked = add(job, factEntry({ kind: 'locked', round: 1, slot: 'locked' }));
  expect(settingsOf(locked).map((one) => one.locked)).toEqual([false, true]);
});

test('nothing read, no setting; an offset counts as in the specification', () => {
  expect(settingsOf(record())).toEqual([]);
  const document = plainDocument((one) => (one.corners.LF.reference.offsetMm = 12));
  const [only] = settingsOf(add(record(document), ...heights(0, 350), ...collars(0, 80)));
  expect(only?.corners.LF?.heightMm).toBe(362);
  expect(only?.corners.RF?.heightMm).toBe(350);
});

test('the way between two settings: by collars where both were read, in the sense of their datum, else by moves', () => {
  expect(seatBetween(corner({ collarMm: 85 }), corner({ collarMm: 90 }), false)).toBe(5);
  const shrinking = (collarMm: number) => corner({ collarMm, readingSign: -1 });
  expect(seatBetween(shrinking(85), shrinking(90), false)).toBe(-5);
  expect(seatBetween(corner({ seatMm: -3 }), corner({ seatMm: 1 }), true)).toBe(4);
  expect(seatBetween(corner({ seatMm: -3 }), corner({ seatMm: 1 }), false)).toBeNull();
  expect(seatBetween(corner({ collarMm: 85 }), shrinking(90), false)).toBeNull();
});

test('the end that is hard to get at is turned first, and named first', () => {
  const document = plainDocument((one) => (one.hardEnd = 'rear'));
  // The front moves more, and still waits.
  const job = measured([385, 385, 372, 372], document);
  expect(nextWords(analyse(job).next)).toBe('turn rear left');
  expect(nextWords(analyse(measured([385, 385, 372, 372])).next)).toBe('turn front left');
});

test('a line survives being written down', () => {
  const line = lineOf(measured(375));
  const back = JSON.parse(JSON.stringify(line)) as typeof line;
  expect(back.summary.worst).toMatchObject({
    kind: line.summary.worst?.kind,
    leftMm: line.summary.worst?.leftMm,
  });
  expect(back.settings).toEqual(line.settings);
});

test('of a job that is set by sag the book has the sag of every round, and who was on', () => {
  const document = blankDocument('scooter', 'Knot');
  document.riders = [
    { key: 'r1', name: 'owner', kg: 80, gearKg: 6, rearShare: null, passengerKg: 0, luggageKg: 0 },
  ];
  document.sagRead.gear = false;
  Object.assign(document.corners.FW, { sagMm: 20, sagWindow: { fromMm: 16, toMm: 24 } });
  document.corners.FW.reference = { kind: 'axle-mark', offsetMm: 0, aheadMm: 0 };
  const read = (round: number, slot: string, mm: number) =>
    factEntry({ kind: 'sag', round, corner: 'FW', slot, mm });
  const job = add(
    record(document),
    ...[read(0, 'extended-1', 500), read(0, 'r1-rest-1', 470), read(0, 'r1-rest-2', 472)],
    ...[adjustment(1, 'FW', 8), read(1, 'r1-rest-1', 479)],
  );
  const [first, second] = settingsOf(job);
  expect(first?.corners.FW?.sag).toEqual({ mm: 29, who: 'ridden', atShaft: false });
  expect(second?.corners.FW?.sag?.mm).toBe(21);
  expect(second?.corners.RW?.sag).toBeNull();
  expect(first?.rider).toEqual({ name: 'owner', kg: 80, gearOn: false });
  // Set for somebody else since, what was read before stays what it was, with who was on.
  const light = { ...must(job.document.riders[0] ?? null), key: 'r2', name: 'light', kg: 55 };
  const since = { ...job, document: { ...job.document, riders: [light, ...job.document.riders] } };
  expect(settingsOf(since)[0]).toMatchObject({
    rider: { name: 'owner' },
    corners: { FW: { sag: { mm: 29 } } },
  });
});
