import { create } from 'zustand';
import type { DeviceLine, Door } from '#contract/door.ts';
import { browserStorage } from './keeping.ts';

/**
 * Where this device stands. Open: nobody signs in here, as on the computer itself. Locked: it was in, and has not been in touch for so
 * long that what it keeps is shown no more. Unknown: nothing was heard yet; the page shows what it has.
 */
export type Standing = 'unknown' | 'open' | 'in' | 'out' | 'removed' | 'locked';

interface Kept {
  mode: Door['mode'];
  device: DeviceLine | null;
  /** ms. When the server last said so. */
  at: number;
}

const KEY = 'margin-door';
/** A tablet that is lost, and kept from the server, shows for this long what it has. */
const LOCKS_AFTER_MS = 7 * 86_400_000;

function readKept(): Kept | null {
  try {
    return JSON.parse(browserStorage.getItem(KEY) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
}

/** How a device stands before the server was heard, by what it was told last. */
export function standingBy(kept: Kept | null, now: number): Standing {
  if (!kept) return 'unknown';
  if (kept.mode === 'open') return 'open';
  if (!kept.device) return 'out';
  // A clock that was set back is no reason to show for longer.
  return Math.abs(now - kept.at) > LOCKS_AFTER_MS ? 'locked' : 'in';
}

const kept = readKept();

/** Shows nothing more where the server has not been in touch for too long, also on a page that was never closed. */
export function lockWhereSilent(now = Date.now()): void {
  if (useDoor.getState().standing === 'in' && standingBy(readKept(), now) === 'locked')
    useDoor.setState({ standing: 'locked' });
}

/** The secret of a picture code that led here: it stands in the part of the address that is never sent. */
const CODE = /^#([\w-]{22})$/;

interface DoorState {
  standing: Standing;
  device: DeviceLine | null;
  ready: boolean;
  /** Taken from the address before any page is drawn, which would lead on from there. */
  code: string | null;
}

/** Who this device is to the server, as far as is known. */
export const useDoor = create<DoorState>()(() => ({
  code: CODE.exec(window.location.hash)?.[1] ?? null,
  standing: standingBy(kept, Date.now()),
  device: kept?.device ?? null,
  ready: true,
}));

/** Takes what the server said of the door. */
export function takeDoor({ mode, device, ready }: Door): void {
  browserStorage.setItem(KEY, JSON.stringify({ mode, device, at: Date.now() } satisfies Kept));
  useDoor.setState({ standing: mode === 'open' ? 'open' : device ? 'in' : 'out', device, ready });
}

/** A call was refused, since this device is not in. What is typed and unsent stays. */
export function shutOut(): void {
  browserStorage.setItem(KEY, JSON.stringify({ mode: 'shop', device: null, at: Date.now() } satisfies Kept));
  useDoor.setState({ standing: 'out', device: null });
}

/** This device was removed from the shop: it forgets all it keeps of it. */
export async function forgetShop(): Promise<void> {
  useDoor.setState({ standing: 'removed', device: null });
  try {
    localStorage.clear();
    sessionStorage.clear();
    for (const name of await caches.keys()) await caches.delete(name);
  } catch {
    // Storage that cannot be reached has nothing to forget; the server asks the browser itself to clear it as well.
  }
}
