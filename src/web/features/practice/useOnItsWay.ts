import { useQueue } from '../../api/queue.ts';

/** Whether something written in a job is not with the server yet: instruments would be held to the machine as it was before. */
export function useOnItsWay(jobId: string): boolean {
  return useQueue((state) => state.items.some((one) => one.jobId === jobId));
}
