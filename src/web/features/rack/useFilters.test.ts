/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { BrowserRouter } from 'react-router';
import { blankRackValues, type RackSpring } from '#core/rack/spring.ts';
import { useFilters } from './useFilters.ts';

const springs: RackSpring[] = ['Reed 60', 'Reed 80', 'Sedge 60'].map((name, k) => ({
  ...blankRackValues,
  id: String(k),
  version: 1,
  name,
  rateNPerMm: Number(name.slice(-2)),
}));

function setUp(address: string) {
  window.history.replaceState(null, '', address);
  const wrapper = ({ children }: { children: ReactNode }) => createElement(BrowserRouter, null, children);
  return renderHook(() => useFilters(springs), { wrapper });
}
const names = ({ shown }: { shown: readonly RackSpring[] }) => shown.map(({ name }) => name);

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('it starts from the address', () => {
  expect(names(setUp('/rack?find=reed&rate-from=70').result.current)).toEqual(['Reed 80']);
});

test('what is set narrows at once, and stands in the address once it is quiet; emptied it leaves it', () => {
  const { result } = setUp('/rack?other=1');
  act(() => result.current.set('find', 'reed'));
  act(() => result.current.set('rate-to', '70'));
  expect(names(result.current)).toEqual(['Reed 60']);
  expect(window.location.search).toBe('?other=1');
  act(() => jest.advanceTimersByTime(100));
  expect(window.location.search).toBe('?other=1&find=reed&rate-to=70');
  act(() => result.current.set('find', ''));
  act(() => jest.advanceTimersByTime(100));
  expect(names(result.current)).toEqual(['Reed 60', 'Sedge 60']);
  expect(window.location.search).toBe('?other=1&rate-to=70');
});
