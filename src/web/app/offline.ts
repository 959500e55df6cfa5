import { registerSW } from 'virtual:pwa-register';
import { useReach } from '../api/reach.ts';

const LOOK_EVERY_MS = 3_600_000;

/** Has the browser keep the program and what was read, so that pages seen before open without the server. A newer one waits until it is asked for. */
export function keepOffline(): void {
  const renew = registerSW({
    onNeedRefresh: () => useReach.setState({ renew: () => void renew(true) }),
    onRegisteredSW: (_url, registration) => {
      if (registration) setInterval(() => void registration.update().catch(() => undefined), LOOK_EVERY_MS);
    },
  });
}
