import { analyse } from '../analysis/analyse.ts';
import type { Entry } from '../document/types.ts';
import {
  add,
  adjustment,
  factEntry,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';

/** A car 20 mm too low at the front left, whose damper there reads 398 of 330 to 444. */
const document = plainDocument((one) => {
  one.corners.LF.damper = { openMm: 444, closedMm: 330 };
  one.corners.LF.ratio = 0.6;
  // Nothing is asked for, so that nothing is turned.
  for (const corner of Object.values(one.corners)) corner.targetMm = null;
});
const damper = (round: number, mm: number) =>
  factEntry({ kind: 'damper-length', round, corner: 'LF', slot: 'now', mm });
const analysed = (...more: Entry[]) =>
  analyse(add(record(document), settled(0), ...heights(0, 380), ...more));
const left = (one: ReturnType<typeof analysed>, kind: string, corner = 'LF') =>
  one.margins.find((margin) => margin.kind === kind && margin.corner === corner) ?? null;

test('what a damper has left is measured, and takes the place of what is only assumed of the wheel', () => {
  const plain = analysed();
  expect(left(plain, 'damper-open')).toBeNull();
  expect(must(left(plain, 'droop')).assumed).toBe(true);
  const read = analysed(damper(0, 398));
  expect(must(left(read, 'damper-open'))).toMatchObject({ rangeMm: 114, assumed: false });
  expect(must(left(read, 'damper-open')).leftMm).toBeCloseTo(46, 4);
  expect(must(left(read, 'damper-closed')).leftMm).toBeCloseTo(68, 4);
  for (const kind of ['droop', 'bump-metal', 'bump-stop']) expect(left(read, kind)).toBeNull();
  // Of a damper that nobody read nothing changes.
  expect(must(left(read, 'droop', 'RF')).assumed).toBe(true);
});

test('turned up, the damper opens as the wheel comes down by its ratio; read again, what is read counts', () => {
  const up = [adjustment(1, 'LF', 12), settled(1), ...heights(1, [398, 380, 380, 380])];
  const turned = analysed(damper(0, 398), ...up);
  const answer = must(turned.answer);
  const i = answer.machine.corners.indexOf('LF');
  const { gain } = must(answer.corners[0] ?? null);
  const roseMm = (answer.fit.rounds[0]?.travel[i] ?? 0) - (answer.predictAt(answer.after).travel[i] ?? 0);
  expect(roseMm).toBeGreaterThan(10);
  expect(must(left(turned, 'damper-open')).leftMm).toBeCloseTo(46 - roseMm / gain, 0);
  const again = must(left(analysed(damper(0, 398), ...up, damper(1, 411)), 'damper-open')).leftMm;
  expect(again).toBeCloseTo(444 - 411, 0);
});

test('other dampers have other lengths: what was read of the old ones says nothing', () => {
  const fitted = factEntry({
    kind: 'fitted', round: 1, corner: null, slot: 'dampers-front', part: 'dampers', axle: 'front', words: '', kit: null, moreMm: null,
  }); // oxfmt-ignore
  const one = analysed(damper(0, 398), fitted, settled(1), ...heights(1, 385));
  expect(left(one, 'damper-open')).toBeNull();
});
