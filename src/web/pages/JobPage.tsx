import { stages, type Stage } from '#core/judgement/stages.ts';
import { JobContext, useThisJob } from '../jobStore/jobContext.ts';
import { lazy, memo, Suspense, useDeferredValue } from 'react';
import { Navigate, useParams } from 'react-router';
import { ApiProblem } from '../api/client.ts';
import { Button } from '../ui/Button.tsx';
import { FailurePage } from './FailurePage.tsx';
import { ByHandContext, useTriedJob } from '../features/job/tryByHand.ts';
import { useAway } from '../api/jobs.ts';
import { useJob } from '../jobStore/useJob.ts';
import { AwayNote } from '../features/bays/AwayNote.tsx';
import { BaselineStage, MeasureStage } from '../features/measure/ReadingStage.tsx';
import { CloseOutStage } from '../features/finish/CloseOutStage.tsx';
import { IntakeStage } from '../features/intake/IntakeStage.tsx';
import { JobHeader } from '../features/sheet/JobHeader.tsx';
import { MarginColumn } from '../features/sheet/MarginColumn.tsx';
import { ScalesStage } from '../features/scales/ScalesStage.tsx';
import { StanceStage } from '../features/stance/StanceStage.tsx';
import { PlanStage } from '../features/plan/PlanStage.tsx';
import { SagStage } from '../features/sag/SagStage.tsx';
import { PrepStage } from '../features/prep/PrepStage.tsx';
import { RingsStage } from '../features/rings/RingsStage.tsx';
import { RideStage } from '../features/ride/RideStage.tsx';
import { StageRail } from '../features/sheet/StageRail.tsx';
import { TurnStage } from '../features/turn/TurnStage.tsx';
import { useJobKeys } from '../features/sheet/useJobKeys.ts';

// Drawn anew for a change of the job alone, not when what stands beside the page catches up.
const pages: Record<Stage, React.ComponentType> = {
  intake: memo(IntakeStage),
  prep: memo(PrepStage),
  sag: memo(() => <SagStage />),
  baseline: memo(BaselineStage),
  scales: memo(ScalesStage),
  plan: memo(PlanStage),
  turn: memo(TurnStage),
  measure: memo(MeasureStage),
  rings: memo(RingsStage),
  stance: memo(StanceStage),
  'close-out': memo(CloseOutStage),
  ride: memo(RideStage),
};

/** The sheet: stages on the left edge, the work in the middle, what is left on the right. */
export function JobPage() {
  const { id = '', stage = '' } = useParams();
  const { job, query } = useJob(id);
  if (!job) {
    if (query.error instanceof ApiProblem) return <FailurePage notFound words={query.error.problem.title} />;
    return (
      <main className="p-6">
        {query.isError ? (
          <>
            <p>No connection to the server. What you type is kept in this browser.</p>
            <Button className="mt-3" onClick={() => void query.refetch()}>
              Try again
            </Button>
          </>
        ) : (
          <p className="text-second">Loading the job …</p>
        )}
      </main>
    );
  }
  if (stage === 'next') return <Navigate to={`/jobs/${id}/${job.next.stage}`} replace />;
  if (!stages.includes(stage as Stage)) return <FailurePage notFound />;
  return (
    <JobContext value={job}>
      <Sheet stage={stage as Stage} />
    </JobContext>
  );
}

const PracticeStrip = lazy(async () => ({
  default: (await import('../features/practice/PracticeStrip.tsx')).PracticeStrip,
}));

/** Read only where the job is practice. */
function Practice() {
  const { id } = useThisJob().record;
  if (useAway(id) !== 'practice') return null;
  return (
    <Suspense fallback={null}>
      <PracticeStrip />
    </Suspense>
  );
}

const Rail = memo(StageRail);
const Head = memo(JobHeader);
const Column = memo(MarginColumn);

const Sheet = memo(function Sheet({ stage }: { stage: Stage }) {
  const job = useThisJob();
  useJobKeys(job, stage);
  const Page = pages[stage];
  const { shown, byHand } = useTriedJob(job);
  // The work follows every keystroke at once; what stands beside it comes a moment later. A seat moved by hand moves all.
  const soon = useDeferredValue(job);
  return (
    <div className="grid flex-1 items-start grid-cols-[152px_minmax(0,1fr)_284px] gap-x-4 px-6 py-4 max-lg:grid-cols-1 max-lg:gap-y-4 max-md:px-4 print:block">
      <Head />
      <JobContext value={soon}>
        <Rail stage={stage} />
      </JobContext>
      <main className="bg-sheet border-rule flex min-h-[calc(100vh-90px)] min-w-0 flex-col border max-lg:min-h-0">
        <AwayNote />
        <Practice />
        <ByHandContext value={byHand}>
          <JobContext value={shown}>
            <Page key={stage} />
          </JobContext>
        </ByHandContext>
      </main>
      <JobContext value={shown === job ? soon : shown}>
        <Column planned={soon.answer} />
      </JobContext>
    </div>
  );
});
