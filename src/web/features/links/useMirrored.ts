import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { useDebouncedCallback } from 'use-debounce';
import { replaceQuery } from './replaceQuery.ts';

/** Milliseconds of quiet before the address follows. */
const AFTER = 60;

/**
 * Keeps parts of the address as the page's state is, empty ones left out. The page holds the state and only starts from
 * the address: what is typed in quick succession must not wait for it.
 */
export function useMirrored(parts: Record<string, string>): void {
  const { pathname } = useLocation();
  const text = JSON.stringify(parts);
  const mirror = useDebouncedCallback(
    () =>
      replaceQuery(pathname, (query) => {
        for (const [key, value] of Object.entries(JSON.parse(text) as Record<string, string>))
          if (value === '') query.delete(key);
          else query.set(key, value);
      }),
    AFTER,
  );
  useEffect(() => {
    mirror();
    return mirror.cancel;
  }, [text, mirror]);
}
