import type { Unsent } from './unsent.ts';

/**
 * What was typed an instant ago, before the browser's database has it: that takes a moment, and the page may be left in
 * it. One key for each item, so that tabs do not write over each other. A browser that keeps nothing is told elsewhere.
 */
const PREFIX = 'margin-unsent.';

/** Keeps an item at once. */
export function jot(item: Unsent): void {
  try {
    localStorage.setItem(PREFIX + item.id, JSON.stringify(item));
  } catch {
    // Full or refused: the browser's database is still tried, and says so where that fails too.
  }
}

/** Forgets an item: the browser's database has it, or it is sent. */
export function unjot(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // There was nothing kept either.
  }
}

/** What an earlier page left before its database had it. */
export function jotted(): Unsent[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(PREFIX))
      .flatMap((key) => readable(localStorage.getItem(key)));
  } catch {
    return [];
  }
}

function readable(text: string | null): Unsent[] {
  try {
    return text === null ? [] : [JSON.parse(text) as Unsent];
  } catch {
    return [];
  }
}
