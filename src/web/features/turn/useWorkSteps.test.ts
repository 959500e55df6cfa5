/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import type { Fact, ToldCorner, ToldPlan } from '#core/document/types.ts';
import { plainDocument } from '../../../../tests/fixtures/records.ts';
import { useWorkSteps } from './useWorkSteps.ts';

const corner = (seatMm: number): ToldCorner => ({
  seatMm,
  turns: seatMm / 2,
  stopAtMm: null,
  heightMm: 360,
  heightSdMm: 2,
});
const told: ToldPlan = { chance: 0.9, corners: { LF: corner(4), RF: corner(5), LR: corner(3) } };

/** A job whose facts grow by what is recorded. */
function setUp(done: readonly Fact[] = []) {
  const facts = done.map((fact) => ({ fact }));
  const record = jest.fn((_: string, fact: Fact) => facts.push({ fact }));
  const job = {
    record: { document: plainDocument() },
    facts,
    state: { current: 0 },
    actions: { record },
  } as unknown as Parameters<typeof useWorkSteps>[0];
  const hook = renderHook(({ plan }) => useWorkSteps(job, plan), { initialProps: { plan: told } });
  return { hook, record };
}
const doneAt = (id: 'LF' | 'RF' | 'LR'): Fact => ({
  kind: 'adjustment',
  round: 1,
  corner: id,
  slot: 'done',
  mm: 1,
  askedMm: 1,
});

test('it begins at the first corner that is open', () => {
  const { hook } = setUp([doneAt('LF')]);
  expect(hook.result.current).toMatchObject({ at: 1, count: 3, step: { id: 'RF' } });
});

test('done is recorded as told or as counted, and goes on to the next open corner', () => {
  const { hook, record } = setUp([doneAt('RF')]);
  act(() => hook.result.current.record(3.5));
  expect(record).toHaveBeenCalledWith('Turned front left', {
    kind: 'adjustment', round: 1, corner: 'LF', slot: 'done', mm: 3.5, askedMm: 4,
  });
  expect(hook.result.current.step?.id).toBe('LR');
  act(() => hook.result.current.record(6));
  expect(hook.result.current.step?.id).toBe('LR');
  expect(hook.result.current.step && hook.result.current.isDone(hook.result.current.step)).toBe(true);
}); // oxfmt-ignore

test('back and next stay within the plan, and within a plan that has become shorter', () => {
  const { hook } = setUp();
  act(() => hook.result.current.go(-1));
  expect(hook.result.current.at).toBe(0);
  act(() => hook.result.current.go(9));
  expect(hook.result.current.at).toBe(2);
  hook.rerender({ plan: { ...told, corners: { LF: corner(4) } } });
  expect(hook.result.current).toMatchObject({ at: 0, count: 1, step: { id: 'LF' } });
  hook.rerender({ plan: { ...told, corners: {} } });
  expect(hook.result.current.step).toBeNull();
});
