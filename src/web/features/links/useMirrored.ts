import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { useDebouncedCallback } from 'use-debounce';

/** Milliseconds of quiet before the address follows. */
const AFTER = 60;

/**
 * Keeps parts of the address as the page's state is, empty ones left out. The page holds the state and only starts from
 * the address: what is typed in quick succession must not wait for it.
 */
export function useMirrored(parts: Record<string, string>): void {
  const [, setParams] = useSearchParams();
  const text = JSON.stringify(parts);
  const mirror = useDebouncedCallback(
    () =>
      setParams(
        (before) => {
          for (const [key, value] of Object.entries(JSON.parse(text) as Record<string, string>))
            if (value === '') before.delete(key);
            else before.set(key, value);
          return before;
        },
        { replace: true },
      ),
    AFTER,
  );
  useEffect(() => {
    mirror();
    return mirror.cancel;
  }, [text, mirror]);
}
