import { useHotkeys } from 'react-hotkeys-hook';

/** Ctrl+Z and its way back, anywhere: only a field with something half typed keeps the browser's own undo. */
export function useUndoKeys({ undo, redo }: { undo: () => unknown; redo: () => unknown }): void {
  const unlessTyping = (act: () => void) => (event: KeyboardEvent) => {
    if (event.target instanceof HTMLElement && event.target.dataset.dirty === 'true') return;
    event.preventDefault();
    act();
  };
  const options = { enableOnFormTags: true };
  useHotkeys('ctrl+z, meta+z', unlessTyping(undo), options, [undo]);
  useHotkeys('ctrl+shift+z, meta+shift+z, ctrl+y', unlessTyping(redo), options, [redo]);
}
