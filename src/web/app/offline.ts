import { registerSW } from 'virtual:pwa-register';
import { useReach } from '../api/reach.ts';

const LOOK_EVERY_MS = 3_600_000;
const ASK_AGAIN_MS = 1000;
const LET_GO_MS = 8000;

/** Has the browser keep the program and what was read, so that pages seen before open without the server. A newer one waits until it is asked for. */
export function keepOffline(): void {
  const take = registerSW({
    onNeedRefresh: () => useReach.setState({ renew: () => void change(take) }),
    onRegisteredSW: (_url, registration) => {
      if (registration) setInterval(() => void registration.update().catch(() => undefined), LOOK_EVERY_MS);
    },
  });
}

/** Puts the newer program in the place of this one, and loads the page anew by it. */
async function change(take: () => Promise<void>): Promise<void> {
  const newer = (await navigator.serviceWorker.getRegistration())?.waiting;
  // Another tab may have changed it already. A page from before there was any keeps none, and would not be told that it changed.
  if (!newer) window.location.reload();
  newer?.addEventListener('statechange', () => newer.state === 'activated' && window.location.reload());
  // Where the older one keeps what it has in hand it makes no room: loaded anew, the page lets go of it.
  setTimeout(() => window.location.reload(), LET_GO_MS);
  await take();
  // The first asking was seen to go unheard.
  const again = setInterval(
    () => (newer?.state === 'installed' ? void take() : clearInterval(again)),
    ASK_AGAIN_MS,
  );
}
