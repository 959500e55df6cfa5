import { useEffect, useRef } from 'react';
import type { Watched } from '#core/gauge/watch.ts';

/**
 * Tells of each press of an instrument's own button, once, by the instrument's name: also of those that nothing can be done with then, so
 * that none of them is taken for a later field.
 */
export function useSent(
  all: readonly Pick<Watched, 'name' | 'sent'>[],
  onSent: (name: string) => void,
): void {
  const seen = useRef(new Map<string, number>());
  useEffect(() => {
    for (const { name, sent } of all) {
      const before = seen.current.get(name) ?? 0;
      seen.current.set(name, sent);
      if (sent > before) onSent(name);
    }
  });
}
