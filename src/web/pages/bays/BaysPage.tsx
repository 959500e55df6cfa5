import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { classDefaults, machineClasses } from '#core/machine/classes.ts';
import { summarise, type JobSummary } from '#core/job/nextAction.ts';
import { useJobList, useJobRecord } from '../../api/jobs.ts';
import { useQueue } from '../../api/queue.ts';
import { Button } from '../../ui/Button.tsx';
import { OpenFile } from './OpenFile.tsx';
import { JobLine } from './JobLine.tsx';

/** Bays: what is on the lifts, each job one line of the day with its next action and worst margin. */
export function BaysPage() {
  const navigate = useNavigate();
  const { data, isPending, isError, refetch } = useJobList();
  useHotkeys('n', () => void navigate('/new'));
  const jobs = data?.jobs ?? [];
  const working = jobs.filter((job) => !job.locked);
  const locked = jobs.filter((job) => job.locked);
  return (
    <main className="mx-auto w-full max-w-[1232px] flex-1 px-6 py-5 max-md:px-4">
      <title>Bays · Margin</title>
      <section
        aria-label="New setup"
        className="border-rule flex flex-wrap items-center gap-x-5 gap-y-2 border-b pb-4"
      >
        <h1 className="text-head mr-2 font-semibold">New setup</h1>
        {machineClasses.map((one) => (
          <Link
            key={one}
            to={`/new?class=${one}`}
            className="border-ink/60 hover:border-ink flex min-h-11 items-center border px-4 font-semibold"
          >
            {classDefaults[one].title}
          </Link>
        ))}
        <p className="text-second">
          A reading and a target give the first answer.{' '}
          <kbd className="border-rule border px-1 font-sans text-[13px]">n</kbd>
        </p>
        <OpenFile />
      </section>
      <UnsentJobs known={jobs.map(({ id }) => id)} />
      <div className="mt-6 flex items-baseline justify-between gap-4">
        <h2 className="text-head font-semibold">In the bays</h2>
        <Link to="/book" className="text-action font-semibold underline underline-offset-4">
          Logbook
        </Link>
      </div>
      {isPending && <p className="text-second mt-3">Reading the jobs …</p>}
      {isError && (
        <div className="mt-3">
          <p>The server cannot be reached just now. What you type is kept here.</p>
          <Button className="mt-3" onClick={() => void refetch()}>
            Try again
          </Button>
        </div>
      )}
      {data && jobs.length === 0 && (
        <p className="text-second mt-3">No jobs yet. Choose a machine above and type what the tape says.</p>
      )}
      <ul className="mt-2">
        {working.map((job) => (
          <JobLine key={job.id} job={job} />
        ))}
      </ul>
      {locked.length > 0 && (
        <>
          <h2 className="text-head mt-8 font-semibold">Locked</h2>
          <ul className="mt-2">
            {locked.map((job) => (
              <JobLine key={job.id} job={job} />
            ))}
          </ul>
        </>
      )}
    </main>
  );
}

/** Jobs made here that the server has not taken yet. */
function UnsentJobs({ known }: { known: string[] }) {
  const items = useQueue((state) => state.items);
  const made = items.filter(({ what, jobId }) => what.kind === 'job' && !known.includes(jobId));
  return (
    <ul>
      {made.map(({ jobId }) => (
        <UnsentJob key={jobId} id={jobId} />
      ))}
    </ul>
  );
}

function UnsentJob({ id }: { id: string }) {
  const { record } = useJobRecord(id);
  if (!record) return null;
  const job: JobSummary = summarise(record, new Date().toISOString());
  return <JobLine job={job} unsent />;
}
