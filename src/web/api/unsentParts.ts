import { useQueue } from './queue.ts';

/*
 * Asked by the field alone that shows it: were it part of the job, all of its page would be drawn anew as the server takes
 * what was typed.
 */

/** Whether the entry of a job that a fact came with is still on its way to the server. */
export function useFactUnsent(jobId: string, entryId: string | undefined): boolean {
  return useQueue(
    ({ items }) =>
      entryId !== undefined && items.some((one) => one.id === entryId && one.jobId === jobId && !one.refused),
  );
}

/** Whether a change of a value of a job's description is. */
export function useChangeUnsent(jobId: string, path: readonly string[]): boolean {
  return useQueue(({ items }) =>
    items.some(
      ({ jobId: of, what }) =>
        of === jobId &&
        what.kind === 'entry' &&
        what.entry.type === 'change' &&
        what.entry.ops.some((op) => op.path.join() === path.join()),
    ),
  );
}
