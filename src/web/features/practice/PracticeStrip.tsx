import { useState } from 'react';
import { Link, Navigate } from 'react-router';
import { usePracticeOf } from '../../api/practice.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { EndTry } from './EndTry.tsx';
import { Instruments } from './Instruments.tsx';
import { tryPath } from './tryPath.ts';

/** Over the pages of a job that is practice: its instruments, the minutes so far, and its end. */
export function PracticeStrip() {
  const job = useThisJob();
  const { data: practice } = usePracticeOf(job.record.id);
  const [open, setOpen] = useState(false);
  if (!practice) return null;
  const here = practice.tries.find(({ jobId }) => jobId === job.record.id);
  if (!here) return null;
  // Nothing is advised there, by whatever way somebody comes.
  if (here.way === 'own' && !here.ended) return <Navigate to={tryPath('own', here.jobId)} replace />;
  const { state } = job;
  const round = state.turning ? state.current + 1 : state.current;
  return (
    <div className="border-action bg-wash/40 flex flex-wrap items-center gap-x-5 gap-y-1 border-l-4 px-4 py-1 print:hidden">
      <Link
        to={`/practice/${practice.id}`}
        className="text-action font-semibold underline underline-offset-4"
      >
        Practice
      </Link>
      <span className="figures">{here.minutes} minutes so far</span>
      {!here.ended && (
        <>
          <Button aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Put the instruments away' : 'Instruments'}
          </Button>
          <EndTry practiceId={practice.id} jobId={here.jobId} />
        </>
      )}
      {here.ended && <span>This try has ended.</span>}
      {open && !here.ended && (
        <div className="bg-sheet border-rule my-2 w-full border p-4">
          <Instruments practice={practice} round={round} />
        </div>
      )}
    </div>
  );
}
