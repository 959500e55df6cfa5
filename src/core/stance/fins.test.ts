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
import { ledgerOf } from './ledger.ts';

/** Fins of a joint's boot 3 mm apart, that must stay 1: nobody knows how they close as the corner is raised. */
const document = plainDocument((one) => {
  one.corners.LF.clearances = [
    { name: 'boot fins', nowMm: 3, perMm: null, leastMm: 1, atMm: null, rows: null },
  ];
  for (const corner of Object.values(one.corners)) corner.targetMm = null;
});
const fins = (round: number, mm: number) =>
  factEntry({ kind: 'clearance', round, corner: 'LF', slot: '0', mm });
const up = [
  adjustment(1, 'LF', 12),
  adjustment(1, 'RF', 12),
  settled(1),
  ...heights(1, [400, 400, 380, 380]),
];
function analysed(...more: Entry[]) {
  const one = analyse(add(record(document), settled(0), ...heights(0, 380), ...more));
  const margin = must(
    one.margins.find(({ kind, corner }) => kind === 'clearance' && corner === 'LF') ?? null,
  );
  return { margin, line: must(ledgerOf(must(one.answer))[0] ?? null) };
}

test('what fins do is taken for granted, and marked so, until they are measured at another height', () => {
  const before = analysed();
  expect(before.margin).toMatchObject({ assumed: true });
  expect(before.margin.leftMm).toBeCloseTo(2, 6);
  const raised = analysed(...up);
  const roseMm = raised.line.risenMm.now;
  expect(roseMm).toBeGreaterThan(10);
  expect(raised.line.now).toBeCloseTo(3 - 0.03 * roseMm, 6);
  // With the wheel hanging they are nearer still.
  expect(raised.line.atDroop).toBeLessThan(raised.line.now);
  expect(raised.line.assumed).toBe(true);
});

test('measured again, that counts, and what it taught is no longer taken for granted', () => {
  const { line, margin } = analysed(...up, fins(1, 2));
  expect(line.now).toBeCloseTo(2, 6);
  expect(margin).toMatchObject({ assumed: false });
  expect(margin.leftMm).toBeCloseTo(1, 1);
  // A millimetre over what it rose: on to full droop it closes as it has so far.
  const { line: before } = analysed(...up);
  const perMm = -1 / before.risenMm.now;
  expect(line.atDroop).toBeCloseTo(2 + perMm * (before.risenMm.atDroop - before.risenMm.now), 3);
});
