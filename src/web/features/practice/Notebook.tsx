import { useState } from 'react';
import { Link } from 'react-router';
import type { Practice } from '#contract/practice.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useUndoKeys } from '../../jobStore/useUndoKeys.ts';
import { Button } from '../../ui/Button.tsx';
import { EndTry } from './EndTry.tsx';
import { Instruments } from './Instruments.tsx';
import { SheetFigures } from './SheetFigures.tsx';
import { PastRounds } from './PastRounds.tsx';
import { ReadNow } from './ReadNow.tsx';
import { TurnNow } from './TurnNow.tsx';
import { Wish } from './Wish.tsx';
import { notebookRound } from './notebookRound.ts';

/** A notebook: this round's readings, or what is being turned; and the rounds before it. */
export function Notebook({ practice }: { practice: Practice }) {
  const job = useThisJob();
  useUndoKeys(job.actions);
  const [up, setUp] = useState(false);
  const here = practice.tries.find(({ jobId }) => jobId === job.record.id);
  const round = notebookRound(job.facts, up);
  if (!here) return null;
  return (
    <main className="mx-auto w-full max-w-[1232px] flex-1 px-6 py-4 narrow:px-4">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <Link
          to={`/practice/${practice.id}`}
          className="text-action font-semibold underline underline-offset-4"
        >
          Back to this practice
        </Link>
        <span className="figures">{here.minutes} minutes so far</span>
        <span className="text-second">
          A reading takes 1 1/2, settling it 4, an axle up and down 8, each corner turned 3.
        </span>
        <Button look="quiet" disabled={job.history.undo.length === 0} onClick={() => job.actions.undo()}>
          Undo
        </Button>
      </div>
      <Wish practice={practice} />
      <SheetFigures />
      {here.ended ? (
        <p className="text-head mt-5 font-semibold">This try has ended.</p>
      ) : up ? (
        <TurnNow round={round} onDown={() => setUp(false)} />
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,480px)] gap-x-10 gap-y-6 max-lg:grid-cols-1">
          <div>
            <ReadNow round={round} />
            <div className="mt-4 flex flex-wrap gap-3">
              <Button look="main" className="min-h-11 px-4" onClick={() => setUp(true)}>
                Jack it up and turn
              </Button>
              <EndTry practiceId={practice.id} jobId={here.jobId} />
            </div>
          </div>
          <div className="mt-5">
            <h2 className="border-rule text-head mb-2 border-b pb-1 font-semibold">Instruments</h2>
            <Instruments practice={practice} round={round} repeats={false} />
          </div>
        </div>
      )}
      <PastRounds before={round} />
    </main>
  );
}
