/** @jest-environment jsdom */
import { renderHook } from '@testing-library/react';
import { STEADY_MS, useTakenByItself } from './useTakenByItself.ts';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function setUp() {
  const onTake = jest.fn<undefined, [number]>();
  const { rerender } = renderHook(
    (now: { mm: number | null; steady: boolean; prompt: string }) => useTakenByItself({ ...now, onTake }),
    { initialProps: { mm: 372, steady: true, prompt: 'LF 1' } as { mm: number | null; steady: boolean; prompt: string } },
  );
  const stream = (mm: number | null, steady: boolean, prompt = 'LF 1') => rerender({ mm, steady, prompt });
  return { onTake, stream, wait: (ms: number) => jest.advanceTimersByTime(ms) };
} // oxfmt-ignore

test('what was steady before it was asked for is the reading before: it has to move first', () => {
  const { onTake, stream, wait } = setUp();
  wait(2 * STEADY_MS);
  expect(onTake).not.toHaveBeenCalled();
  stream(380, false);
  stream(379, true);
  wait(STEADY_MS - 1);
  expect(onTake).not.toHaveBeenCalled();
  wait(1);
  expect(onTake.mock.calls).toEqual([[379]]);
});

test('it is taken once, as it last stood', () => {
  const { onTake, stream, wait } = setUp();
  stream(380, false);
  stream(379, true);
  wait(STEADY_MS / 2);
  stream(379.2, true);
  wait(5 * STEADY_MS);
  expect(onTake.mock.calls).toEqual([[379.2]]);
});

test('moving again begins the wait again', () => {
  const { onTake, stream, wait } = setUp();
  stream(380, false);
  stream(379, true);
  wait(STEADY_MS - 1);
  stream(377, false);
  stream(376, true);
  wait(STEADY_MS - 1);
  expect(onTake).not.toHaveBeenCalled();
  wait(1);
  expect(onTake.mock.calls).toEqual([[376]]);
});

test('the next reading is another one: the same steady value is not taken for it, too', () => {
  const { onTake, stream, wait } = setUp();
  stream(380, false);
  stream(379, true);
  wait(STEADY_MS);
  stream(379, true, 'LF 2');
  wait(5 * STEADY_MS);
  expect(onTake).toHaveBeenCalledTimes(1);
});

test('nothing is taken by itself while that is switched off', () => {
  const { onTake, stream, wait } = setUp();
  stream(null, false);
  stream(null, true);
  wait(5 * STEADY_MS);
  expect(onTake).not.toHaveBeenCalled();
});
