import { useDebounce } from 'use-debounce';

/** A value as it was once it has stood still for a moment. */
export function useDebounced<T>(value: T, ms = 150): T {
  return useDebounce(value, ms)[0];
}
