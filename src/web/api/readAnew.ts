import type { QueryKey } from '@tanstack/react-query';
import { queryClient } from './jobs.ts';

/**
 * Before something is changed: a list that is on its way may have left the server before that, and would hide the change as
 * it arrives. It is let go.
 */
export function dropReads(key: QueryKey): Promise<void> {
  return queryClient.cancelQueries({ queryKey: key });
}

/** Once it is settled: a list that never came, since it was let go, is asked for. */
export function readIfNever(key: QueryKey): void {
  if (queryClient.getQueryData(key) === undefined) void queryClient.invalidateQueries({ queryKey: key });
}
