import { useState } from 'react';

/**
 * Whether what stands on the pads is what was taken last: it has not moved since. A repeat is one only where the machine was
 * rolled on anew. Gives it, and what says that it was taken.
 */
export function useStands(steady: boolean): [stands: boolean, taken: () => void] {
  const [stands, setStands] = useState(false);
  if (stands && !steady) setStands(false);
  return [stands && steady, () => setStands(true)];
}
