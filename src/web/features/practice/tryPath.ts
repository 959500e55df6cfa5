import type { PracticeWay } from '#core/practiceKinds.ts';

/** Where a try is worked at: a notebook, or the pages of a job. */
export function tryPath(way: PracticeWay, jobId: string): string {
  return way === 'own' ? `/practice/notebook/${jobId}` : `/jobs/${jobId}/baseline`;
}
