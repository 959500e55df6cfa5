import { byCorner } from '../planning/answerShape.ts';
import { answerFor } from '../planning/answer.ts';
import { cornerHeight } from '../figures/cornerHeight.ts';
import {
  add,
  factEntry,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { restoredSlot, sortRepeats, wantsAnother } from './repeats.ts';

const repeats = (...list: number[]) =>
  list.map((mm, k) => ({ slot: String(k + 1), mm, typed: '', picture: null }));
const aside = (...list: number[]) => sortRepeats(repeats(...list), []).aside?.mm ?? null;

test.each([
  [[372, 373, 353], 353],
  [[353, 372, 373], 353],
  [[372, 400, 372, 373], 400],
  [[372, 373, 375], null],
  // Others that lie 4 apart have to be left by more than twice that.
  [[372, 376, 383], null],
  [[372, 376, 385], 385],
  // Of two nobody can say which it is, nor of three that all disagree.
  [[372, 353], null],
  [[372, 353, 390], null],
  [[372, 380, 388], null],
])('of %j the odd one is %p', (list, odd) => expect(aside(...list)).toBe(odd));

describe('in a job', () => {
  const read = (...list: number[]) =>
    add(
      record(plainDocument()),
      settled(0),
      ...heights(0, 372),
      ...list.map((mm, k) => factEntry({ kind: 'height', round: 0, corner: 'LF', slot: String(k + 2), mm })),
    );

  test('what is set aside does not count, and counts again once somebody says so', () => {
    const odd = read(373, 353);
    expect(must(answerFor(odd)).state.rounds[0]?.aside.LF?.mm).toBe(353);
    expect(cornerHeight(must(answerFor(odd)), 'LF').measured?.value).toBe(372.5);
    const slot = restoredSlot(0, 'LF', '3');
    const restored = add(
      odd,
      factEntry({ kind: 'acknowledged', round: 0, corner: null, slot, remark: 'counted' }),
    );
    expect(must(answerFor(restored)).state.rounds[0]?.aside.LF).toBeUndefined();
    expect(cornerHeight(must(answerFor(restored)), 'LF').measured?.value).toBe(366);
  });

  test('readings 25 mm apart are not averaged to two', () => {
    const near = byCorner(must(answerFor(read(373)))).LF;
    const far = byCorner(must(answerFor(read(397)))).LF;
    expect(near?.nowSdMm).toBeLessThan(2);
    expect(far?.nowSdMm).toBeGreaterThan(4);
    const [sure, unsure] = [must(answerFor(read(373))), must(answerFor(read(397)))];
    expect(unsure.chanceAfter ?? 1).toBeLessThan(0.8 * (sure.chanceAfter ?? 0));
  });
});

test.each([
  ['nothing read', [], true],
  ['read once', [372], true],
  ['read twice, alike', [372, 372], false],
  ['read twice, as far apart as readings that agree', [372, 378], false],
  ['read twice, further apart', [372, 379], true],
  ['read three times', [372, 390, 374], false],
])('a place is read again until two readings agree: %s', (_, readings, again) => {
  expect(wantsAnother(readings)).toBe(again);
});
