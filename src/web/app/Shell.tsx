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
  const [over, setOver] = useState<'bar' | 'keys' | 'units' | null>(null);
  // Names the page that is drawn, which comes after its address.
  const { pathname } = useLocation();
  const close = () => setOver(null);
  useLiveUpdates();
  useTopOfPage();
  // What lies over a page goes with it where the browser's own Back leads away.
  useEffect(() => {
    const leave = () => {
      setOver(null);
      useShownTerm.setState({ entry: null });
    };
    window.addEventListener('popstate', leave);
    return () => window.removeEventListener('popstate', leave);
  }, []);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  // Not in the first load, but there before anybody types into it.
  useEffect(() => {
    const timer = setTimeout(() => void Promise.all([loadBar(), loadConflict()]), 1500);
    return () => clearTimeout(timer);
  }, []);
  useHotkeys('u', () => setSystem(system === 'mm' ? 'in' : 'mm'));
  useHotkeys('ctrl+k, meta+k', () => setOver('bar'), { enableOnFormTags: true, preventDefault: true });
  useHotkeys('/', () => setOver('bar'), { preventDefault: true, useKey: true });
  useHotkeys('?', () => setOver('keys'), { useKey: true });

  return (
    <div data-page={pathname} className="flex min-h-screen flex-col">
      {!bare && (
        <Header
          onFind={() => setOver('bar')}
          onKeys={() => setOver('keys')}
          onUnits={() => setOver('units')}
        />
      )}
      <Suspense fallback={null}>
        <Outlet />
      </Suspense>
      {over === 'bar' && (
        <Suspense fallback={null}>
          <CommandBar onClose={close} onUnits={() => setOver('units')} />
        </Suspense>
      )}
      <Suspense fallback={null}>
        {over === 'units' && <UnitsDialog open onClose={close} />}
        {over === 'keys' && <KeysDialog open onClose={close} />}
        {term && <TermDialog />}
        {refused && <ConflictDialog />}
      </Suspense>
    </div>
  );
}
