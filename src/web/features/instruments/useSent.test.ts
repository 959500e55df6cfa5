/** @jest-environment jsdom */
import { renderHook } from '@testing-library/react';
import { useSent } from './useSent.ts';

interface Now {
  sent: number;
  name?: string;
  /** Whether what is sent can be taken now. */
  fits: boolean;
}

function setUp() {
  const taken: string[] = [];
  const { rerender } = renderHook(
    ({ sent, name = 'caliper', fits }: Now) => useSent([{ name, sent }], (one) => fits && taken.push(one)),
    { initialProps: { sent: 0, fits: true } as Now },
  );
  return { taken, stream: rerender };
}

test('each press is taken once, however often its line is looked at', () => {
  const { taken, stream } = setUp();
  stream({ sent: 1, fits: true });
  stream({ sent: 1, fits: true });
  stream({ sent: 2, fits: true });
  expect(taken).toEqual(['caliper', 'caliper']);
});

test('what was pressed while it fitted nowhere is not taken for a later field', () => {
  const { taken, stream } = setUp();
  stream({ sent: 1, fits: false });
  stream({ sent: 1, fits: true });
  expect(taken).toEqual([]);
  stream({ sent: 2, fits: true });
  expect(taken).toEqual(['caliper']);
});
