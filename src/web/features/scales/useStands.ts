import { useState } from 'react';

/**
 * Whether what stands on the pads is what was taken last: it has not moved since. A repeat is one only where the machine was
 * rolled on anew. `next` is the reading that would be taken now; the same one as was taken last is free again once it is undone.
 * Gives it, and what says that it was taken.
 */
export function useStands(steady: boolean, next: string | undefined): [stands: boolean, taken: () => void] {
  const [last, setLast] = useState<string | null>(null);
  if (last !== null && !steady) setLast(null);
  return [last !== null && steady && last !== next, () => setLast(next ?? null)];
}
