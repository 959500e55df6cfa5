import { answerFor } from './answer.ts';
import {
  add,
  adjustment,
  fourCorners,
  heights,
  measured,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { describePadCar, hidePadCar, padFacts, standOf } from '../../../tests/fixtures/padCar.ts';
import { goodEnough, notYet } from './enough.ts';

const said = (...facts: Parameters<typeof add>[1][]) => {
  const answer = must(answerFor(add(record(plainDocument()), ...facts)));
  return { done: goodEnough(answer), left: notYet(answer) };
};

/** A car whose front left seat went up, and that was settled since. */
const frontLeftTurned = (byMm: number) =>
  add(
    record(plainDocument()),
    settled(0),
    ...heights(0, [355, 365, 365, 365]),
    ...[byMm, 0, 0, 0].map((mm, i) => adjustment(1, fourCorners[i] ?? 'LF', mm)),
    settled(1),
  );

test('corners that read out are named', () => {
  expect(said(...heights(0, 365), ...heights(0, 365, '2')).left?.out ?? []).toEqual([]);
  const { done, left } = said(...heights(0, [365, 365, 380, 365]));
  expect(done).toBe(false);
  expect(left?.out).toEqual(['LR']);
});

test('a corner that the tape reads in is not said to be out, whatever the estimate makes of it', () => {
  const job = frontLeftTurned(20);
  for (const read of [368, 367, 366, 362]) {
    const answer = must(answerFor(add(job, ...heights(1, [read, 365, 365, 365]))));
    expect(Math.abs(read - 365)).toBeLessThanOrEqual(answer.tolerance.value);
    expect(notYet(answer)?.out ?? []).toEqual([]);
  }
});

test('a corner that the tape reads out is named, though the estimate lies in', () => {
  const job = frontLeftTurned(8);
  const leftAt = (mm: number) => {
    const answer = must(answerFor(add(job, ...heights(1, [mm, 365, 365, 365]))));
    const offMm = (answer.corners.find(({ id }) => id === 'LF')?.nowSpecMm ?? NaN) - 365;
    return { left: notYet(answer), isIn: Math.abs(offMm) <= answer.tolerance.value };
  };
  const reads = [368.1, 368.3, 368.6, 369, 375].map(leftAt);
  expect(reads.some(({ isIn }) => isIn)).toBe(true);
  for (const { left, isIn } of reads) expect(left?.tapeOut.includes('LF')).toBe(isIn);
});

test('the tape is taken with the offset of its point, and for the load the targets are meant for', () => {
  const document = plainDocument((one) => {
    one.corners.LF.reference.offsetMm = 4;
  });
  const moved = adjustment(1, 'LF', 20);
  const job = add(record(document), settled(0), ...heights(0, [351, 365, 365, 365]), moved, settled(1));
  const outAt = (mm: number) =>
    notYet(must(answerFor(add(job, ...heights(1, [mm, 365, 365, 365])))))?.out ?? [];
  // 361 on the tape is 365 at the specified point; 365 on the tape is 369.
  expect(outAt(361)).not.toContain('LF');
  expect(outAt(374)).toContain('LF');
  const loaded = plainDocument((one) => {
    one.cases = ['empty', 'two aboard'];
    one.loads = [{ name: 'two people', kg: 150, xMm: 0, yMm: 0, aboard: [false, true] }];
  });
  const high = (mm: number) => notYet(must(answerFor(measured(mm, loaded))))?.out ?? [];
  const sinks = (() => {
    const [corner] = must(answerFor(measured(375, loaded))).corners;
    return (corner?.nowMm ?? 0) - (corner?.nowSpecMm ?? 0);
  })();
  expect(sinks).toBeGreaterThan(5);
  expect(high(Math.round(365 + sinks))).toEqual([]);
  expect(high(365)).toEqual([...fourCorners]);
});

test('all that read in are not yet truly in where nobody settled it', () => {
  const { done, left } = said(...heights(0, [363, 367, 363, 364]));
  expect(done).toBe(false);
  expect(left).toMatchObject({ out: [], scales: null, chanceNow: expect.any(Number) });
  expect(left?.chanceNow).toBeLessThan(0.98);
});

test('read often and settled it is enough, and nothing is said', () => {
  const often = ['1', '2', '3'].flatMap((slot) => heights(0, 365, slot));
  expect(said(settled(0), ...often)).toEqual({ done: true, left: null });
});

test('weight that is not where it was asked is said with what stands', () => {
  const document = describePadCar((one) => {
    one.crossTarget = 0.53;
    const stands = standOf(hidePadCar(2)).heightsMm;
    fourCorners.forEach((id, i) => (one.corners[id].targetMm = Math.round(stands[i] ?? 0)));
  });
  const answer = must(answerFor(add(record(document), ...padFacts(0, standOf(hidePadCar(2))))));
  expect(goodEnough(answer)).toBe(false);
  expect(notYet(answer)?.scales).toMatchObject({ what: 'cross', target: 0.53 });
});

test('measured and off all round, every corner is named', () => {
  expect(notYet(must(answerFor(measured())))?.out).toEqual(fourCorners);
});
