/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { useDrafts } from '../jobStore/drafts.ts';
import { useSettings } from '../ui/settings.ts';
import { useNumberField, type NumberFieldOptions } from './useNumberField.ts';

beforeEach(() => {
  localStorage.clear();
  useDrafts.setState({ drafts: {} });
  useSettings.setState({ system: 'mm', denominator: 16 });
});

function setUp(more: Partial<NumberFieldOptions> = {}) {
  const onCommit = jest.fn<undefined, [number | null, string]>();
  const options: NumberFieldOptions = {
    draftKey: 'job|LF',
    label: 'Height',
    value: 372,
    quantity: 'length',
    range: { min: 0, max: 1000 },
    onCommit,
    ...more,
  };
  const hook = renderHook((now: NumberFieldOptions) => useNumberField(now), { initialProps: options });
  const type = (text: string) => act(() => hook.result.current.type(text));
  const commit = () => {
    let good = false;
    act(() => (good = hook.result.current.commit()));
    return good;
  };
  return { hook, onCommit, options, type, commit, field: () => hook.result.current };
}

test('what is typed is committed with the unit it was taken in', () => {
  const { type, commit, onCommit, field } = setUp();
  type('375.5');
  expect(field()).toMatchObject({ text: '375.5', dirty: true, state: { kind: 'understood' } });
  expect(commit()).toBe(true);
  expect(onCommit.mock.calls).toEqual([[375.5, '375.5 mm']]);
  expect(field().dirty).toBe(false);
});

test('bad input stays, with its reason, and never touches the value', () => {
  const { type, commit, onCommit, field } = setUp();
  type('37o');
  expect(commit()).toBe(false);
  expect(field()).toMatchObject({ text: '37o', state: { kind: 'refused' } });
  expect(useDrafts.getState().drafts['job|LF']?.refused).toContain('37o');
  expect(onCommit).not.toHaveBeenCalled();
  act(() => field().cancel());
  expect(field()).toMatchObject({ text: '372', dirty: false });
});

test('out of range is refused; an unlikely value is asked about and kept', () => {
  const { type, commit, onCommit, field } = setUp({
    question: (value) => (value > 900 ? 'In cm?' : null),
  });
  type('1001');
  expect([commit(), field().state.kind]).toEqual([false, 'refused']);
  type('950');
  expect(field().state).toEqual({ kind: 'questioned', words: 'In cm?' });
  expect(commit()).toBe(true);
  expect(onCommit).toHaveBeenCalledWith(950, '950 mm');
});

test('left as it is shown, nothing is committed; emptied, none is', () => {
  const { type, commit, onCommit, field } = setUp({ value: 371.96 });
  expect(commit()).toBe(true);
  type(field().text);
  expect(commit()).toBe(true);
  expect(onCommit).not.toHaveBeenCalled();
  type('');
  expect(field().state).toEqual({ kind: 'empty' });
  commit();
  expect(onCommit.mock.calls).toEqual([[null, '']]);
});

test('in other units the echo is of what stands, not of its rounded text', () => {
  useSettings.setState({ system: 'in', denominator: 16 });
  const { type, field } = setUp();
  expect(field()).toMatchObject({ text: '14 5/8', state: { words: '372 mm · 14 5/8 in' } });
  type('14 5/8 ');
  expect(field()).toMatchObject({ state: { words: '372 mm · 14 5/8 in' } });
  type('14.625');
  expect(field()).toMatchObject({ state: { words: expect.stringContaining('371.48 mm') as string } });
});

test('half a number keeps the units it was begun in', () => {
  const { type, commit, onCommit, field } = setUp();
  type('14');
  act(() => useSettings.setState({ system: 'in' }));
  expect(field().unit).toBe('mm');
  commit();
  expect(onCommit).toHaveBeenCalledWith(14, '14 mm');
  expect(field().unit).toBe('in');
  type('15 1/2');
  commit();
  expect(onCommit.mock.calls.at(-1)?.[0]).toBeCloseTo(393.7, 9);
});

test('the arrows step to the grid of the unit and stop at the ends', () => {
  const { field, type } = setUp({ value: 999.7 });
  act(() => field().nudge(1));
  expect(field().text).toBe('1000');
  act(() => field().nudge(1));
  expect(field().text).toBe('1000');
  type('371.8');
  act(() => field().nudge(-2));
  expect(field().text).toBe('371');
});

test('another value from elsewhere shows unless something is being typed', () => {
  const { hook, options, type, field } = setUp();
  hook.rerender({ ...options, value: 380 });
  expect(field().text).toBe('380');
  type('38');
  hook.rerender({ ...options, value: 390 });
  expect(field().text).toBe('38');
});
