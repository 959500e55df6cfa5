import type { CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useReadingPictures } from '../../api/readingPictures.ts';

/** Where on the body the last picture of an earlier reading had its point, so that the same one is taken; null where there is none. */
export function useGhost(id: CornerId, round: number): { alongMm: number; upMm: number } | null {
  const { record } = useThisJob();
  const { data } = useReadingPictures(record.id);
  const last = data?.pictures.find(
    (one) => one.corner === id && (one.jobId !== record.id || one.round !== round),
  );
  const { alongMm = null, upMm = null } = last?.meta ?? {};
  return alongMm === null || upMm === null ? null : { alongMm, upMm };
}
