import { createContext, use } from 'react';
import type { Job } from './useJob.ts';

/** The job that a page, or part of it, is about. */
export const JobContext = createContext<Job | null>(null);

/** The job of the page. Throws outside of one: the component stands where no job is. */
export function useThisJob(): Job {
  const job = use(JobContext);
  if (!job) throw new Error('expected a job on this page, got none');
  return job;
}
