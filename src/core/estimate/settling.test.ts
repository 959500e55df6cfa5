import fc from 'fast-check';
import { byCorner } from '../planning/answerShape.ts';
import { answerFor } from '../planning/answer.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';
import { settledIn } from '../book/again.ts';
import { cornersOf } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { settledShare } from './parameters.ts';
import { add, factEntry, heights, plainDocument, record, settled } from '../../../tests/fixtures/records.ts';

const ids = cornersOf('car');
const must = (job: JobRecord) => {
  const answer = answerFor(job);
  if (!answer) throw new Error('expected an answer');
  return answer;
};

test('two thirds are lost in the settling distance, nothing before the first kilometre', () => {
  expect(settledShare(0, 90)).toBe(0);
  expect(settledShare(90, 90)).toBeCloseTo(1 - Math.exp(-1), 12);
  expect(settledShare(3000, 90)).toBeGreaterThan(0.999);
});

test('the more often it was read, the surer the loss; an allowance that was given narrows it too', () => {
  const back = (slots: readonly string[], settlingMm: number | null) =>
    settledIn(
      must(
        add(
          record(plainDocument((document) => (document.settlingMm = settlingMm))),
          settled(0),
          ...slots.flatMap((slot) => heights(0, 365, slot)),
          factEntry({ kind: 'driven', round: 1, km: 500, slot: 'km' }),
          settled(1),
          ...slots.flatMap((slot) => heights(1, 362, slot)),
        ),
      ),
    ).LF?.sdMm ?? NaN;
  expect(back(['1', '2', '3'], null)).toBeLessThan(back(['1'], null));
  expect(back(['1'], 3)).toBeLessThan(back(['1'], null));
});

test('one corner that lost more than the others is told from them', () => {
  const lost = settledIn(
    must(
      add(
        record(plainDocument()),
        settled(0),
        ...heights(0, 365),
        factEntry({ kind: 'driven', round: 1, km: 500, slot: 'km' }),
        settled(1),
        // 8 mm lost at the left rear: three quarters of it there, a quarter beside it, and its diagonal rises.
        ...heights(1, [363, 367, 359, 363]),
      ),
    ),
  );
  const others = (['LF', 'RF', 'RR'] as const).map((id) => lost[id]?.lostMm ?? 0);
  expect(lost.LR?.lostMm).toBeGreaterThan(Math.max(...others) + 0.5);
});

test('driven before it was ever measured again changes no plan: what is to come is still to come', () => {
  const read = add(record(plainDocument()), settled(0), ...heights(0, 375));
  const driven = add(read, factEntry({ kind: 'driven', round: 1, km: 10, slot: 'km' }));
  const [before, after] = [byCorner(must(read)).LF, byCorner(must(driven)).LF];
  expect(Math.abs((after?.nowMm ?? 0) - (before?.nowMm ?? 0))).toBeLessThan(1);
});

test('any plane of floor leaves every height as it was; only a twist shows', () => {
  const on = (floors: Record<CornerId, number> | null) =>
    byCorner(
      must(
        add(
          record(
            plainDocument((document: JobDocument) => {
              for (const id of ids) {
                document.corners[id].reference.kind = 'hub-arch';
                if (floors) document.corners[id].floorMm = floors[id];
              }
            }),
          ),
          settled(0),
          ...heights(0, [366, 364, 371, 373]),
        ),
      ),
    );
  const flat = on(null);
  const slope = fc.double({ min: -12, max: 12, noNaN: true });
  fc.assert(
    fc.property(slope, slope, slope, (up, along, across) => {
      const plane = {
        LF: up + along + across,
        RF: up + along - across,
        LR: up - along + across,
        RR: up - along - across,
      };
      const sloping = on(plane as Record<CornerId, number>);
      // The body leans with the floor; over a wheelbase of metres its weight hardly shifts.
      for (const id of ids) expect(sloping[id]?.nowSpecMm).toBeCloseTo(flat[id]?.nowSpecMm ?? NaN, 0);
    }),
    { numRuns: 12 },
  );
  const twisted = on({ LF: 6, RF: -6, LR: -6, RR: 6 } as Record<CornerId, number>);
  expect((twisted.LF?.nowSpecMm ?? 0) - (flat.LF?.nowSpecMm ?? 0)).toBeGreaterThan(2);
  expect((twisted.RF?.nowSpecMm ?? 0) - (flat.RF?.nowSpecMm ?? 0)).toBeLessThan(-2);
});
