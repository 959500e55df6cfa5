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
import { isInPlace, ringWork, ringsToSet } from './ringWork.ts';

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
const ringsOf = (one: JobRecord) => ringWork(one.document, readRounds(one));

test('a gap wanted and found says how far the ring goes: nearer to the slider is positive', () => {
  const [left, right] = ringsOf(job(gap('LF', 34)));
  expect(left).toEqual({
    id: 'LF',
    ring: 0,
    by: 'gap',
    wantedMm: 22,
    nowMm: 34,
    readAgain: null,
    moveMm: 12,
  });
  expect(right).toMatchObject({ id: 'RF', nowMm: null, moveMm: null });
  expect(ringsToSet(job().document, readRounds(job(gap('LF', 34))))).toEqual(['LF', 'RF']);
});

test('set by its block it is done, each for itself; what was read last counts', () => {
  const found = gap('LF', 34);
  const one = job(found, gap('LF', 22, 'set'));
  expect(isInPlace(must(ringsOf(one)[0] ?? null))).toBe(true);
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
    { id: 'LF', readAgain: 'seat', moveMm: null },
    { id: 'RF', readAgain: null, moveMm: 0 },
  ]);
  expect(ringsOf(add(turned, gap('LF', 20, 'found', 1)))[0]).toMatchObject({ readAgain: null, moveMm: -2 });
});

test('from the seat it is carried along by what the seat goes, and a wish further from it is towards the slider', () => {
  const seat = (mm: number, slot = 'found') =>
    factEntry({ kind: 'ring-seat', round: 0, corner: 'LF', slot, mm });
  const one = job(seat(60), adjustment(1, 'LF', 5), settled(1));
  one.document.corners.LF.ringSeatMm = 67;
  const bySeat = (from: JobRecord) => ringsOf(from).find(({ by }) => by === 'seat');
  // The seat went 5 towards the ring, which is now 55 from it.
  expect(bySeat(one)).toMatchObject({ nowMm: 55, readAgain: null, moveMm: 12 });
  one.document.corners.LF.ringSeatMm = 50;
  expect(bySeat(one)?.moveMm).toBe(-5);
});

test('from the edge of the collar the way follows how that edge is read', () => {
  const place = factEntry({ kind: 'ring-place', round: 0, corner: 'LF', slot: 'found', mm: 120 });
  const byEdge = (grows: 'with-seat' | 'against-seat') => {
    const one = job(gap('LF', 22, 'set'), gap('RF', 22, 'set'), place);
    one.document.corners.LF.collar.grows = grows;
    one.document.corners.LF.ringEdgeMm = 130;
    return {
      work: ringsOf(one).find(({ by }) => by === 'edge'),
      open: ringsToSet(one.document, readRounds(one)),
    };
  };
  expect(byEdge('with-seat')).toMatchObject({ work: { moveMm: 10 }, open: ['LF'] });
  expect(byEdge('against-seat').work?.moveMm).toBe(-10);
});

test('a second ring is set by itself: the first stays as it was read', () => {
  const one = job(gap('LF', 34), gap('LF', 61, 'found-2'));
  one.document.corners.LF.secondRing.gapMm = 55;
  const of = (from: JobRecord) => ringsOf(from).filter(({ id }) => id === 'LF');
  expect(of(one)).toMatchObject([
    { ring: 0, nowMm: 34, moveMm: 12 },
    { ring: 1, nowMm: 61, moveMm: 6 },
  ]);
  const set = add(one, gap('LF', 55, 'set-2'));
  expect(of(set)).toMatchObject([
    { ring: 0, moveMm: 12 },
    { ring: 1, moveMm: 0 },
  ]);
});

test('from the second edge too; set by one way, what another way read before is read again', () => {
  const second = factEntry({ kind: 'ring-second', round: 0, corner: 'LF', slot: 'found', mm: 40 });
  const one = job(second);
  one.document.corners.LF.second = { datum: 'bracket', grows: 'against-seat' };
  one.document.corners.LF.ringSecondMm = 52;
  const bySecond = (from: JobRecord) => ringsOf(from).find(({ by }) => by === 'second');
  expect(bySecond(one)).toMatchObject({ nowMm: 40, readAgain: null, moveMm: -12 });
  const set = add(one, gap('LF', 22, 'set'));
  expect(bySecond(set)).toMatchObject({ readAgain: 'ring', moveMm: null });
  expect(ringsOf(set)[0]).toMatchObject({ by: 'gap', readAgain: null, moveMm: 0 });
});
