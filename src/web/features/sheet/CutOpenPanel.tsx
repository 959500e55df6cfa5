import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { lazy, Suspense, useMemo } from 'react';
import { analyse } from '#core/analysis/analyse.ts';
import { Panel } from './Panel.tsx';

const CutOpen = lazy(async () => ({ default: (await import('./CutOpen.tsx')).CutOpen }));

const drawing = <p className="text-second">Drawing …</p>;

/** Spring cross-section as they stand after the plan, under their title; tried by hand where nothing is being turned. */
export function CutOpenPanel({ answer, open = false }: { answer: Answer; open?: boolean }) {
  const job = useThisJob();
  const still = job.state.locked || job.state.turning !== null;
  return (
    <div className="mx-4 mt-2 print:hidden">
      <Panel
        title="Spring cross-section"
        words={still ? 'to scale, as they stand after the plan' : 'to scale; try a seat or ring by hand'}
        open={open}
      >
        <Suspense fallback={drawing}>
          <CutOpen answer={answer} />
        </Suspense>
      </Panel>
    </div>
  );
}

/** Spring cross-section as they stand before anything is turned: where readings are taken. */
export function CutOpenNowPanel() {
  const job = useThisJob();
  if (!job.answer) return null;
  return (
    <div className="mx-4 mt-2 print:hidden">
      <Panel title="Spring cross-section" words="to scale, as they stand now">
        <AsItStands />
      </Panel>
    </div>
  );
}

function AsItStands() {
  const job = useThisJob();
  const answer = useMemo(() => analyse(job.record, { planned: false }).answer, [job.record]);
  if (!answer) return <p className="text-second">Once a height is read the springs can be drawn.</p>;
  return (
    <Suspense fallback={drawing}>
      <CutOpen answer={answer} still />
    </Suspense>
  );
}
