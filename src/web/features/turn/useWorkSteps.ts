import { useState } from 'react';
import type { ToldPlan } from '#core/document/types.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { doneFact, isStepDone, workSteps, type WorkStep } from './workSteps.ts';

type NeededJob = Pick<Job, 'record' | 'facts' | 'actions'> & { state: Pick<Job['state'], 'current'> };

/** One step of a told plan after another: begins at the first that is open, and goes to the next open one once done. */
export function useWorkSteps(job: NeededJob, told: ToldPlan) {
  const steps = workSteps(job.record.document, told);
  const round = job.state.current + 1;
  const isDone = (step: WorkStep) => isStepDone(job.facts, step, round);
  const [wanted, setWanted] = useState(() =>
    Math.max(
      steps.findIndex((step) => !isDone(step)),
      0,
    ),
  );
  // Work taken back elsewhere may leave fewer steps than there were.
  const at = Math.min(wanted, steps.length - 1);
  const step = steps[at] ?? null;
  return {
    step,
    at,
    count: steps.length,
    isDone,
    go: (by: number) => setWanted(Math.min(Math.max(at + by, 0), steps.length - 1)),
    record: (doneMm: number) => {
      if (!step) return;
      job.actions.record(`Turned ${cornerNames[step.id]}`, doneFact(step, round, doneMm));
      const later = steps.findIndex((one, k) => k > at && !isDone(one));
      if (later >= 0) setWanted(later);
    },
  };
}
