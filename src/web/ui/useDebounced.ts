import { useEffect, useState } from 'react';

/** A value as it was once it has stood still for a moment. */
export function useDebounced<T>(value: T, ms = 150): T {
  const [still, setStill] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setStill(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return still;
}
