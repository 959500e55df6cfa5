/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import type { Margin } from '#core/margins/margins.ts';
import { looksAlike, useMarginRows } from './useMarginRows.ts';

const margin = (more: Partial<Margin> = {}): Margin => ({
  kind: 'thread-up',
  corner: 'LF',
  which: null,
  loadCase: null,
  leftMm: 20,
  rangeMm: 40,
  sdMm: 1,
  turns: 10,
  state: 'clear',
  share: 0.5,
  assumed: false,
  inputs: () => [],
  ...more,
});
const shown = (margins: readonly Margin[]) =>
  renderHook(({ now }) => useMarginRows(now), { initialProps: { now: margins } });

test('what is short or rests on a guess shows, what is well and known is counted', () => {
  const list = [
    margin({ state: 'short', share: 0 }),
    margin({ kind: 'bump-metal', assumed: true }),
    margin({ kind: 'droop' }),
    margin({ kind: 'droop', corner: 'RF', share: 0.6 }),
  ];
  const { result } = shown(list);
  expect(result.current.rows.map(({ kind }) => kind)).toEqual(['thread-up', 'bump-metal']);
  expect(result.current.fine).toBe(1);
  act(() => result.current.setAll(true));
  expect(result.current.rows).toEqual(list);
});

test('a sum is asked of the margin as it is now, not as it was drawn', () => {
  const clearance = { kind: 'clearance' as const, which: { by: 'name' as const, name: 'tyre to arch' } };
  const drawn = margin(clearance);
  const { result, rerender } = shown([margin(), drawn]);
  const now = margin({ ...clearance, leftMm: 12 });
  rerender({ now: [margin({ leftMm: 3 }), margin({ ...clearance, corner: 'RF' }), now] });
  expect(result.current.latest(drawn)).toBe(now);
  const gone = margin({ kind: 'coil' });
  expect(result.current.latest(gone)).toBe(gone);
});

test.each<[string, Partial<Margin>, boolean]>([
  ['the same', {}, true],
  ['less than what is shown apart', { leftMm: 20.01, share: 0.5001 }, true],
  ['a tenth of a millimetre apart', { leftMm: 20.1 }, false],
  ['an eighth of a turn apart', { turns: 10.125 }, false],
  ['a hundredth of the range apart', { share: 0.51 }, false],
  ['in another state', { state: 'tight' }, false],
  ['resting on a guess', { assumed: true }, false],
  ['in another load case', { loadCase: 'two aboard' }, false],
  ['of another corner', { corner: 'RF' }, false],
])('a line that is %s looks alike or not', (_, more, alike) => {
  expect(looksAlike(margin(), margin(more))).toBe(alike);
});
