import { answerFor } from '#core/planning/answer.ts';
import {
  add,
  factEntry,
  heights,
  measured,
  must,
  plainDocument,
  record,
  settled,
} from '../../../../tests/fixtures/records.ts';
import { ruleData } from './ruleData.ts';

const job = measured(375);
const answer = must(answerFor(job));
const corner = must(answer.corners[0] ?? null);

test('before anything is read only the rule itself, its stop and a sag that is wanted show', () => {
  const document = plainDocument((one) => (one.corners.LF.sagMm = 60));
  expect(ruleData(document, null, 'LF', true)).toMatchObject({
    travelMm: 200, stopMm: 40, nowMm: null, targetMm: 60, afterMm: null, bandMm: 0, toleranceMm: 3, zeroAssumed: true,
  });
}); // oxfmt-ignore

test('where it stands was read; the target lies as far below on the rule as on the tape', () => {
  const rule = ruleData(job.document, answer, 'LF', false);
  expect(rule.nowMm).toBe(corner.travelNow.value);
  expect((rule.targetMm ?? NaN) - (rule.nowMm ?? NaN)).toBeCloseTo(corner.nowMm - 365, 9);
  expect(rule.afterMm).toBeNull();
});

test('with the plan it shows where that leads', () => {
  expect(ruleData(job.document, answer, 'LF', true).afterMm).toBe(corner.travelAfterMm);
});

test('what nobody read stands nowhere: only where it is expected shows', () => {
  const turned = add(job, factEntry({ kind: 'adjustment', round: 1, corner: 'LF', slot: 'done', mm: -4, askedMm: -4 }), settled(1));
  const expected = must(answerFor(turned));
  const rule = ruleData(turned.document, expected, 'LF', false);
  expect(rule.nowMm).toBeNull();
  expect(rule.afterMm).toBe(expected.corners[0]?.travelNow.value);
  const one = add(record(), settled(0), ...heights(0, 375).slice(0, 1));
  expect(ruleData(one.document, must(answerFor(one)), 'LF', false).nowMm).not.toBeNull();
}); // oxfmt-ignore
