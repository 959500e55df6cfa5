/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { createElement, type ReactNode } from 'react';
import type { Entry } from '#core/document/types.ts';
import type { Problem } from '#contract/problems.ts';
import { factEntry, measured } from '../../../tests/fixtures/records.ts';
import { queryClient } from '../api/jobs.ts';
import { useQueue } from '../api/queue.ts';
import type { Unsent } from '../api/unsent.ts';
import { useChangeUnsent, useFactUnsent } from '../api/unsentParts.ts';
import { useJob } from './useJob.ts';

const before = measured(375);
const path = ['machine', 'title'];
const read = factEntry({ kind: 'height', round: 0, corner: 'LF', slot: '2', mm: 374 });
const renamed = {
  ...read,
  id: 'renamed',
  label: 'Machine',
  type: 'change' as const,
  ops: [{ path, from: before.document.machine.title, to: 'A small car' }],
};
const onItsWay = (entry: Entry): Unsent => ({
  id: entry.id,
  jobId: before.id,
  order: 1,
  what: { kind: 'entry', entry },
  refused: null,
});

/** The page's job and what two of its fields say of themselves. */
function setUp() {
  queryClient.setQueryData(['job', before.id], before);
  const wrapper = ({ children }: { children: ReactNode }) =>
    createElement(QueryClientProvider, { client: queryClient }, children);
  const shown = renderHook(
    () => ({
      job: useJob(before.id).job,
      fact: useFactUnsent(before.id, read.id),
      change: useChangeUnsent(before.id, path),
    }),
    { wrapper },
  );
  return () => shown.result.current;
}

afterEach(() => act(() => useQueue.setState({ items: [] })));

test('what is typed is part of the job at once, and nothing of the job changes as the server takes it', () => {
  const now = setUp();
  act(() => useQueue.setState({ items: [onItsWay(read)] }));
  const typed = now();
  expect(typed.job?.facts.some(({ id }) => id === read.id)).toBe(true);
  expect(typed.fact).toBe(true);
  act(() => {
    queryClient.setQueryData(['job', before.id], typed.job?.record);
    useQueue.setState({ items: [] });
  });
  expect(now().fact).toBe(false);
  // The same object: what is drawn of it need not be drawn again.
  expect(now().job).toBe(typed.job);
});

test('a value of the description is on its way until the server has it, by its own place', () => {
  const now = setUp();
  expect(now().change).toBe(false);
  act(() => useQueue.setState({ items: [onItsWay(renamed)] }));
  expect([now().change, now().fact]).toEqual([true, false]);
});

test('a reading that the server refuses is not on its way any more', () => {
  const now = setUp();
  const refused = { problem: { title: 'Changed meanwhile', status: 409 } as Problem, conflict: null };
  act(() => useQueue.setState({ items: [{ ...onItsWay(read), refused }] }));
  expect(now().fact).toBe(false);
});
