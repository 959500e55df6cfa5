import { triedAnswer } from '#core/planning/replan.ts';
import { createContext, useContext, useMemo, useState } from 'react';
import { analyseTried } from '#core/analysis/analyse.ts';
import type { Tried, TriedCorner } from '#core/planning/tried.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Job } from '../../jobStore/useJob.ts';

/** Seats and rings moved by hand on the drawing, in place of the plan's, until they are turned or put back. */
export interface ByHand {
  tried: Tried;
  put: (id: CornerId, part: TriedCorner) => void;
  clear: () => void;
}

const nothing: ByHand = { tried: {}, put: () => undefined, clear: () => undefined };

export const ByHandContext = createContext<ByHand>(nothing);
export const useByHand = () => useContext(ByHandContext);

/** The job with what is tried by hand in its answer and margins. What is tried is forgotten with the round. */
export function useTriedJob(job: Job): { shown: Job; byHand: ByHand } {
  const round = `${job.record.id} ${job.state.current}`;
  const [kept, setKept] = useState<{ round: string; tried: Tried }>({ round, tried: {} });
  const free = !job.state.locked && !job.state.turning;
  const tried = useMemo(() => (free && kept.round === round ? kept.tried : {}), [free, kept, round]);
  const shown = useMemo(() => {
    if (!job.answer || Object.keys(tried).length === 0) return job;
    const { answer, margins } = analyseTried(job.record, triedAnswer(job.answer, tried));
    return { ...job, answer, margins };
  }, [job, tried]);
  const byHand = useMemo(
    () => ({
      tried,
      // Whoever calls it may have been drawn some changes ago.
      put: (id: CornerId, part: TriedCorner) =>
        setKept((before) => {
          const sofar = before.round === round ? before.tried : {};
          return { round, tried: { ...sofar, [id]: { ...sofar[id], ...part } } };
        }),
      clear: () => setKept({ round, tried: {} }),
    }),
    [round, tried],
  );
  return { shown, byHand };
}
