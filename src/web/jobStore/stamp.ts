let last = 0;
let held: string | null = null;

/** A time of its own for every step: two of one millisecond would be undone as one. */
function nextTime(): string {
  last = Math.max(Date.now(), last + 1);
  return new Date(last).toISOString();
}

/** Id and time for a new entry. */
export function newStamp(): { id: string; at: string } {
  return { id: crypto.randomUUID(), at: held ?? nextTime() };
}

/** Entries made by `act` belong to one step: they have one time, and are undone together. */
export function asOneStep(act: () => void): void {
  held = nextTime();
  try {
    act();
  } finally {
    held = null;
  }
}
