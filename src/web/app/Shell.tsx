import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, Outlet } from 'react-router';
import { useHotkeys } from 'react-hotkeys-hook';
import { useLiveUpdates } from '../api/jobs.ts';
import { ConflictDialog } from '../features/conflict/ConflictDialog.tsx';
import { HeaderSlot } from './headerSlot.tsx';
import { KeysDialog } from './KeysDialog.tsx';
import { useSettings } from './settings.ts';
import { UnsentNotice } from './UnsentNotice.tsx';

const loadBar = async () => ({ default: (await import('./CommandBar.tsx')).CommandBar });
const CommandBar = lazy(loadBar);

/** The frame of every screen: header, the page, and what can come over it. */
export function Shell() {
  const { system, theme, setSystem, toggleTheme } = useSettings();
  const [bar, setBar] = useState(false);
  const [keys, setKeys] = useState(false);
  useLiveUpdates();
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  // Not in the first load, but there before anybody types into it.
  useEffect(() => {
    const timer = setTimeout(() => void loadBar(), 1500);
    return () => clearTimeout(timer);
  }, []);
  useHotkeys('u', () => setSystem(system === 'mm' ? 'in' : 'mm'));
  useHotkeys('ctrl+k, meta+k', () => setBar(true), { enableOnFormTags: true, preventDefault: true });
  useHotkeys('/', () => setBar(true), { preventDefault: true, useKey: true });
  useHotkeys('?', () => setKeys(true), { useKey: true });

  return (
    <div className="flex min-h-screen flex-col">
      <header className="border-rule flex min-h-14 flex-wrap items-center gap-x-5 gap-y-1 border-b px-6 py-1.5 narrow:px-4">
        <Link
          to="/"
          className="text-[20px] font-extrabold [font-stretch:118%]"
          aria-label="Margin, to the bays"
        >
          Margin
        </Link>
        <div
          id="header-slot"
          className="border-rule flex min-w-0 flex-1 items-center border-l pl-4 narrow:order-last narrow:w-full narrow:flex-none narrow:border-l-0 narrow:pl-0"
        >
          <HeaderSlot.Target />
        </div>
        <UnsentNotice />
        <div className="flex items-center gap-4 print:hidden" role="group" aria-label="Units">
          {(['mm', 'in'] as const).map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={system === one}
              onClick={() => setSystem(one)}
              className={`min-h-8 px-1 ${system === one ? 'border-action border-b-2 font-semibold' : 'text-second border-b-2 border-transparent'}`}
            >
              {one}
            </button>
          ))}
        </div>
        <div className="text-second flex items-center gap-4 print:hidden">
          <button type="button" onClick={toggleTheme} className="min-h-8" aria-pressed={theme === 'night'}>
            {theme === 'day' ? 'Night' : 'Day'}
          </button>
          <button type="button" onClick={() => setBar(true)} className="min-h-8">
            <kbd className="border-rule mr-1 border px-1 font-sans text-[13px]">/</kbd>Find
          </button>
          <button type="button" onClick={() => setKeys(true)} className="min-h-8 narrow:hidden">
            <kbd className="border-rule mr-1 border px-1 font-sans text-[13px]">?</kbd>Keys
          </button>
        </div>
      </header>
      <Suspense fallback={null}>
        <Outlet />
      </Suspense>
      {bar && (
        <Suspense fallback={null}>
          <CommandBar onClose={() => setBar(false)} />
        </Suspense>
      )}
      <KeysDialog open={keys} onClose={() => setKeys(false)} />
      <ConflictDialog />
    </div>
  );
}
