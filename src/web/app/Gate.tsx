import { lazy, Suspense, useEffect, type ReactNode } from 'react';
import { useReach } from '../api/reach.ts';
import { askDoor } from '../api/askDoor.ts';
import { lockWhereSilent, useDoor } from '../api/door.ts';

const DoorPage = lazy(async () => ({ default: (await import('../features/door/DoorPage.tsx')).DoorPage }));

const LOOK_EVERY_MS = 10_000;
/** Asked now and then also while all is well: who works with this device may have been changed at another. */
const ASK_EVERY_MS = 300_000;

/** Shows the program where this device is in or nobody signs in, and the door where it is not. */
export function Gate({ children }: { children: ReactNode }) {
  const standing = useDoor((state) => state.standing);
  useEffect(() => {
    void askDoor();
    window.addEventListener('online', askDoor);
    // A stream that ends may mean that this device was removed.
    const deaf = useReach.subscribe(({ awaySince }, before) => {
      if (awaySince !== null && before.awaySince === null) void askDoor();
    });
    const timer = setInterval(() => {
      lockWhereSilent();
      if (useDoor.getState().standing === 'locked') void askDoor();
    }, LOOK_EVERY_MS);
    const asking = setInterval(() => void askDoor(), ASK_EVERY_MS);
    return () => {
      clearInterval(timer);
      clearInterval(asking);
      window.removeEventListener('online', askDoor);
      deaf();
    };
  }, []);
  useEffect(() => {
    if (standing === 'in') void import('./offline.ts').then(({ keepOffline }) => keepOffline());
  }, [standing]);
  if (standing === 'out' || standing === 'removed' || standing === 'locked')
    return (
      <Suspense fallback={null}>
        <DoorPage />
      </Suspense>
    );
  return children;
}
