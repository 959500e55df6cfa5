/** @jest-environment jsdom */
import { fireEvent, renderHook } from '@testing-library/react';
import { useUndoKeys } from './useUndoKeys.ts';

function setUp() {
  const [undo, redo] = [jest.fn(), jest.fn()];
  renderHook(() => useUndoKeys({ undo, redo }));
  const input = document.body.appendChild(document.createElement('input'));
  const press = (target: Element, key: string, code: string, shiftKey = false) =>
    fireEvent.keyDown(target, { key, code, ctrlKey: true, shiftKey, bubbles: true });
  return { undo, redo, input, press };
}

test('undo and its way back work anywhere, in a field that holds nothing half typed, too', () => {
  const { undo, redo, input, press } = setUp();
  press(document.body, 'z', 'KeyZ');
  press(input, 'z', 'KeyZ');
  press(input, 'Z', 'KeyZ', true);
  press(document.body, 'y', 'KeyY');
  expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([2, 2]);
});

test('a field with something half typed keeps the browser’s own undo', () => {
  const { undo, redo, input, press } = setUp();
  input.dataset.dirty = 'true';
  press(input, 'z', 'KeyZ');
  press(input, 'y', 'KeyY');
  expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([0, 0]);
});
