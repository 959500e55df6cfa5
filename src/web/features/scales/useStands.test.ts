/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { useStands } from './useStands.ts';

/** Pads on which the first reading has just been taken. */
function taken() {
  const { result, rerender } = renderHook(({ steady, next }) => useStands(steady, next), {
    initialProps: { steady: true, next: '1' },
  });
  expect(result.current[0]).toBe(false);
  act(() => result.current[1]());
  rerender({ steady: true, next: '2' });
  expect(result.current[0]).toBe(true);
  return { stands: () => result.current[0], rerender };
}

test('what was taken stands until it moves, and is then something else though it stands again', () => {
  const { stands, rerender } = taken();
  for (const steady of [false, true]) {
    rerender({ steady, next: '2' });
    expect(stands()).toBe(false);
  }
});

test('a reading that was undone can be taken again as it stands', () => {
  const { stands, rerender } = taken();
  rerender({ steady: true, next: '1' });
  expect(stands()).toBe(false);
});
