import { workedJobs } from '../../tests/fixtures/workedJobs.ts';
import {
  add,
  adjustment,
  factEntry,
  fourCorners,
  heights,
  plainDocument,
  record,
  settled,
} from '../../tests/fixtures/records.ts';
import { analyse } from '#core/analysis/analyse.ts';
import type { JobDocument } from '#core/document/types.ts';
import { landedOf } from './landed.ts';
import { ownMachine } from './ownMachine.ts';
import { trueHeights } from './replay.ts';

/** A car that rose 16 mm at every corner for 10 mm of seat. */
const readTwice = (edit: (document: JobDocument) => void = () => undefined) =>
  add(
    record(plainDocument(edit)),
    settled(0),
    ...heights(0, 340),
    ...fourCorners.map((id) => adjustment(1, id, 10)),
    settled(1),
    ...heights(1, 356),
  );

const copies = Object.entries(workedJobs).map(([name, make]) => {
  const job = make();
  return { name, job, drawn: ownMachine(job) };
});

test.each(copies)('$name: copied as it stands, or not at all', ({ job, drawn }) => {
  if (!drawn) return;
  const { answer } = analyse(job);
  const stands = trueHeights(drawn.truth, { seatsBy: drawn.truth.openBy, km: 0 });
  answer?.corners.forEach(({ id, nowMm }) => {
    const { offsetMm } = job.document.corners[id].reference;
    expect(Math.abs((stands[drawn.truth.corners.indexOf(id)] ?? NaN) + offsetMm - nowMm)).toBeLessThan(2);
  });
});

test('some of them can be copied', () => {
  expect(copies.filter(({ drawn }) => drawn !== null).length).toBeGreaterThanOrEqual(3);
});

test('what was learnt is its truth: a seat does there what it was seen to do', () => {
  const drawn = ownMachine(readTwice());
  if (!drawn) throw new Error('expected a copy');
  const { truth, document } = drawn;
  const at = (by: number) => trueHeights(truth, { seatsBy: truth.openBy.map((mm) => mm + by), km: 0 });
  const rise = (at(10)[0] ?? NaN) - (at(0)[0] ?? NaN);
  expect(rise).toBeGreaterThan(14.5);
  expect(rise).toBeLessThan(18.5);
  expect(landedOf(truth, document, truth.openBy, 0).now).toBe(false);
  expect(document.about.customer).toBe('');
});

test('a reference with an offset is copied as the tape reads it; one that means another load, or lies ahead, is not', () => {
  const plain = ownMachine(readTwice());
  const offset = ownMachine(
    readTwice((document) => {
      for (const id of fourCorners)
        Object.assign(document.corners[id], {
          reference: { kind: 'hub-arch', offsetMm: 12, aheadMm: 0 },
          targetMm: 377,
        });
    }),
  );
  expect(offset?.document.corners.LF.targetMm).toBe(365);
  const stand = (drawn: typeof plain) =>
    drawn ? trueHeights(drawn.truth, { seatsBy: drawn.truth.openBy, km: 0 })[0] : NaN;
  expect(stand(offset)).toBeCloseTo(stand(plain) ?? NaN, 1);
  expect(ownMachine(readTwice((document) => (document.corners.LF.reference.aheadMm = 300)))).toBe(null);
  expect(ownMachine(readTwice((document) => (document.corners.LF.targetMm = null)))).toBe(null);
  expect(ownMachine(add(record(plainDocument()), factEntry({ kind: 'height', corner: 'LF', mm: 350 })))).toBe(
    null,
  );
});
