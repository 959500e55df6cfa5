import { lazy, Suspense, useEffect, type ReactNode } from 'react';
import type { Door } from '#contract/door.ts';
import { callApi } from '../api/client.ts';
import { useReach } from '../api/reach.ts';
import { takeDoor, useDoor } from '../api/door.ts';

const DoorPage = lazy(async () => ({ default: (await import('../features/door/DoorPage.tsx')).DoorPage }));

const askDoor = () => callApi<Door>('/door').then(takeDoor, () => undefined);

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
    return () => {
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
