/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { useStands } from './useStands.ts';

test('what was taken stands until it moves, and is then something else though it stands again', () => {
  const { result, rerender } = renderHook(({ steady }) => useStands(steady), {
    initialProps: { steady: true },
  });
  const stands = () => result.current[0];
  expect(stands()).toBe(false);
  act(() => result.current[1]());
  expect(stands()).toBe(true);
  rerender({ steady: true });
  expect(stands()).toBe(true);
  for (const steady of [false, true]) {
    rerender({ steady });
    expect(stands()).toBe(false);
  }
});
