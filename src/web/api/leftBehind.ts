import equal from 'fast-deep-equal';

/** A thing that a shop keeps; without a version it is new. */
interface Thing {
  id: string;
  version: number | null;
}

/**
 * Changes of one thing that are not known to have arrived: the page may be left before they do. They stand in the browser,
 * and the next page that shows the thing sends them.
 */
export interface Left<T extends Thing> {
  /** The thing before the first of them; null where it was new. */
  was: T | null;
  /** As it is to be. */
  now: T;
}

const PREFIX = 'margin-left-behind.';

/** Changes of a thing by this page, by where they stand: those that have not arrived, and how many of them are being sent. */
const counts = new Map<string, { open: number; sending: number }>();

function count(key: string, open: number, sending: number): number {
  const now = counts.get(key) ?? { open: 0, sending: 0 };
  counts.set(key, { open: now.open + open, sending: now.sending + sending });
  return now.open + open;
}

/** What is left behind of one shelf. A browser that keeps nothing is told elsewhere. */
export function leftBehind<T extends Thing>(shelf: string) {
  const place = (id: string): string => `${PREFIX}${shelf}.${id}`;
  return {
    /** Notes a change before it is sent: `change` makes it, to what is to be already or to `item`. Gives the thing as it is to be. */
    note: (item: T, change: (now: T) => T): T => {
      const key = place(item.id);
      const left = read<T>(key) ?? { was: item.version === null ? null : item, now: item };
      const now = change(left.now);
      count(key, 1, 0);
      write(key, { ...left, now });
      return now;
    },
    /** A thing as the server has it, or is about to, with what was typed since. */
    withLater: <One extends T>(item: One): One => {
      const left = (counts.get(place(item.id))?.open ?? 0) > 1 ? read<T>(place(item.id)) : null;
      return left ? { ...item, ...left.now, version: item.version } : item;
    },
    sending: (id: string) => count(place(id), 0, 1),
    /** It did not arrive, and may be sent again. */
    stayed: (id: string) => count(place(id), 0, -1),
    /** It has arrived, or was refused for good. After the last of them nothing is left behind. */
    settled: (id: string) => {
      if (count(place(id), -1, -1) <= 0) forget(place(id));
    },
    /** Takes up what no page is sending any more. */
    takeUp: (): Left<T>[] =>
      keysOf(place('')).flatMap((key) => {
        const left = (counts.get(key)?.sending ?? 0) > 0 ? null : read<T>(key);
        if (!left) return [];
        forget(key);
        counts.delete(key);
        return left;
      }),
  };
}

/** The fields of `now` that are not as they were; null where all are. */
export function changedFields<T extends object>(was: T, now: T): Partial<T> | null {
  const changed = (Object.keys(now) as (keyof T)[]).filter((key) => !equal(was[key], now[key]));
  return changed.length > 0
    ? (Object.fromEntries(changed.map((key) => [key, now[key]])) as Partial<T>)
    : null;
}

function keysOf(start: string): string[] {
  try {
    return Object.keys(localStorage).filter((key) => key.startsWith(start));
  } catch {
    return [];
  }
}

function read<T extends Thing>(key: string): Left<T> | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Left<T> | null;
  } catch {
    return null;
  }
}

function write<T extends Thing>(key: string, left: Left<T>): void {
  try {
    localStorage.setItem(key, JSON.stringify(left));
  } catch {
    // Full or refused: it is sent all the same.
  }
}

function forget(key: string): void {
  try {
    localStorage.removeItem(key);
  } catch {
    // There was nothing kept either.
  }
}
