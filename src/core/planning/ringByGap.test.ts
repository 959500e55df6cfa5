import {
  add,
  adjustment,
  factEntry,
  heights,
  must,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { analyse } from '../analysis/analyse.ts';
import { blankDocument } from '../document/create.ts';
import type { Entry, JobRecord } from '../document/types.ts';
import { readRounds } from '../estimate/rounds.ts';
import type { CornerId } from '../kinds/corners.ts';
import { isAtItsGap, ringsByGap, ringsToSet } from './ringByGap.ts';

/** A side-by-side as wanted, of whose springs nothing is known: rings 22 mm off their sliders wanted in front. */
function job(...entries: Entry[]): JobRecord {
  const document = blankDocument('side-by-side', '');
  for (const id of ['LF', 'RF'] as const)
    Object.assign(document.corners[id], { targetMm: 380, ringGapMm: 22 });
  for (const id of ['LR', 'RR'] as const) document.corners[id].targetMm = 372;
  const read = [380, 380, 372, 372];
  return add(record(document), settled(0), ...heights(0, read), ...heights(0, read, '2'), ...entries);
}
const gap = (corner: CornerId, mm: number, slot = 'found', round = 0) =>
  factEntry({ kind: 'ring-gap', round, corner, slot, mm });
const ringsOf = (one: JobRecord) => ringsByGap(one.document, readRounds(one));

test('a gap wanted and found says how far the ring goes: nearer to the slider is positive', () => {
  const [left, right] = ringsOf(job(gap('LF', 34)));
  expect(left).toEqual({ id: 'LF', wantedMm: 22, nowMm: 34, readAgain: false, moveMm: 12 });
  expect(right).toMatchObject({ id: 'RF', nowMm: null, moveMm: null });
  expect(ringsToSet(job().document, readRounds(job(gap('LF', 34))))).toEqual(['LF', 'RF']);
});

test('set by its block it is done, each for itself; what was read last counts', () => {
  const found = gap('LF', 34);
  const one = job(found, gap('LF', 22, 'set'));
  expect(isAtItsGap(must(ringsOf(one)[0] ?? null))).toBe(true);
  expect(ringsToSet(one.document, readRounds(one))).toEqual(['RF']);
  const again = factEntry({ kind: 'ring-gap', round: 0, corner: 'LF', slot: 'found', mm: 25 }, found.id);
  expect(ringsOf(add(one, again))[0]).toMatchObject({ nowMm: 25, moveMm: 3 });
});

test('rings not at their gap are the next thing once the heights are in, and stand open at the finish', () => {
  const open = analyse(job(gap('LF', 34), gap('RF', 22)));
  expect(open.next).toMatchObject({ stage: 'rings', code: 'set-ring', corner: 'LF' });
  expect(open.openPoints).toContainEqual({ code: 'rings', corners: ['LF'] });
  const done = analyse(job(gap('LF', 22, 'set'), gap('RF', 22, 'set')));
  expect(done.next.code).not.toBe('set-ring');
  expect(done.openPoints.map(({ code }) => code)).not.toContain('rings');
});

test('after its seat has moved a gap is read again before anything is said of it', () => {
  const turned = job(gap('LF', 22, 'set'), gap('RF', 22, 'set'), adjustment(1, 'LF', 3), settled(1));
  expect(ringsOf(turned)).toMatchObject([
    { id: 'LF', readAgain: true, moveMm: null },
    { id: 'RF', readAgain: false, moveMm: 0 },
  ]);
  expect(ringsOf(add(turned, gap('LF', 20, 'found', 1)))[0]).toMatchObject({ readAgain: false, moveMm: -2 });
});
