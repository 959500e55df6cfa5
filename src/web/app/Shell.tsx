import { lazy, Suspense, useEffect, useState } from 'react';
import { Outlet, useLocation } from 'react-router';
import { useHotkeys } from 'react-hotkeys-hook';
import { useLiveUpdates } from '../api/jobs.ts';
import { useQueue } from '../api/queue.ts';
import { Header } from './Header.tsx';
import { useTopOfPage } from './useTopOfPage.ts';
import { useShownTerm } from '../ui/shownTerm.ts';
import { useSettings } from '../ui/settings.ts';

const loadBar = async () => ({ default: (await import('./CommandBar.tsx')).CommandBar });
const loadConflict = async () => ({
  default: (await import('../features/conflict/ConflictDialog.tsx')).ConflictDialog,
});
const ConflictDialog = lazy(loadConflict);
const KeysDialog = lazy(async () => ({ default: (await import('./KeysDialog.tsx')).KeysDialog }));
const UnitsDialog = lazy(async () => ({ default: (await import('./UnitsDialog.tsx')).UnitsDialog }));
const CommandBar = lazy(loadBar);
const TermDialog = lazy(async () => ({ default: (await import('./TermDialog.tsx')).TermDialog }));

/** The frame of every screen: header (not where it is `bare`), the page, and what can come over it. */
export function Shell({ bare = false }: { bare?: boolean }) {
  const { system, theme, setSystem } = useSettings();
  const term = useShownTerm((state) => state.entry !== null);
  const refused = useQueue((state) => state.items.some((item) => item.refused !== null));
  const [bar, setBar] = useState(false);
  const [keys, setKeys] = useState(false);
  const [units, setUnits] = useState(false);
  // Names the page that is drawn, which comes after its address.
  const { pathname } = useLocation();
  useLiveUpdates();
  useTopOfPage();
  // What lies over a page goes with it, also where the browser's own Back leads away.
  useEffect(() => {
    setBar(false);
    setKeys(false);
    setUnits(false);
    useShownTerm.setState({ entry: null });
  }, [pathname]);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  // Not in the first load, but there before anybody types into it.
  useEffect(() => {
    const timer = setTimeout(() => void Promise.all([loadBar(), loadConflict()]), 1500);
    return () => clearTimeout(timer);
  }, []);
  useHotkeys('u', () => setSystem(system === 'mm' ? 'in' : 'mm'));
  useHotkeys('ctrl+k, meta+k', () => setBar(true), { enableOnFormTags: true, preventDefault: true });
  useHotkeys('/', () => setBar(true), { preventDefault: true, useKey: true });
  useHotkeys('?', () => setKeys(true), { useKey: true });

  return (
    <div data-page={pathname} className="flex min-h-screen flex-col">
      {!bare && (
        <Header onFind={() => setBar(true)} onKeys={() => setKeys(true)} onUnits={() => setUnits(true)} />
      )}
      <Suspense fallback={null}>
        <Outlet />
      </Suspense>
      {bar && (
        <Suspense fallback={null}>
          <CommandBar onClose={() => setBar(false)} onUnits={() => setUnits(true)} />
        </Suspense>
      )}
      <Suspense fallback={null}>
        {units && <UnitsDialog open onClose={() => setUnits(false)} />}
        {keys && <KeysDialog open onClose={() => setKeys(false)} />}
        {term && <TermDialog />}
        {refused && <ConflictDialog />}
      </Suspense>
    </div>
  );
}
