import { setupPath } from '../features/setup/setupPath.ts';
import { summarise, type JobSummary } from '#core/analysis/summary.ts';
import { analysisOf } from '../jobStore/analysisOf.ts';
import { useHotkeys } from 'react-hotkeys-hook';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Away } from '#contract/api.ts';
import { classDefaults, machineClasses } from '#core/kinds/classes/index.ts';
import { useJobList, useJobRecord } from '../api/jobs.ts';
import { useQueue } from '../api/queue.ts';
import { useDebounced } from '../ui/useDebounced.ts';
import { FindBox } from '../ui/FindBox.tsx';
import { Button } from '../ui/Button.tsx';
import { JobLine } from '../features/bays/JobLine.tsx';
import { JobMenu } from '../features/bays/JobMenu.tsx';
import { saveJobsCsv } from '../features/bays/jobsCsv.ts';
import { MovedNote } from '../features/bays/MovedNote.tsx';
import { OpenFiles } from '../features/data/OpenFiles.tsx';
import { useMover, type Mover } from '../features/bays/useMover.ts';

/** What stands beside the jobs; a phone is for reading in, and shows what is used there. */
/** Where a link stands: everywhere, not on a phone, or on a phone alone, where the line over the page has no room for it. */
const places = { all: '', wide: 'max-sm:hidden', phone: 'hidden narrow:inline' };

const ELSEWHERE: { to: string; name: string; where: keyof typeof places }[] = [
  { to: '/bays', name: 'Two bays', where: 'wide' },
  { to: '/sag', name: 'Sag bench', where: 'all' },
  { to: '/stack', name: 'Stack lab', where: 'wide' },
  { to: '/kits', name: 'Kits', where: 'wide' },
  { to: '/rack', name: 'Spring rack', where: 'wide' },
  { to: '/paper', name: 'Measuring sheet', where: 'wide' },
  { to: '/book', name: 'Logbook', where: 'all' },
  { to: '/practice', name: 'Practice', where: 'all' },
  { to: '/settings', name: 'Settings', where: 'phone' },
];

/** The list of jobs: what is on the lifts, each one line of the day with its next action and worst margin. */
export function BaysPage() {
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const find = params.get('find') ?? '';
  useHotkeys('n', () => void navigate('/new'));
  const still = useDebounced(find);
  const working = useJobList(still, 'working');
  const due = useJobList(still, 'due');
  const locked = useJobList(still, 'locked');
  const { isPending, isError, refetch } = working;
  const all = [working, due, locked];
  const mover = useMover();
  const none = all.every(({ data }) => data?.pages[0]?.total === 0);
  const known = all.flatMap(({ data }) => data?.pages.flatMap(({ jobs }) => jobs.map(({ id }) => id)) ?? []);
  return (
    <main className="mx-auto w-full max-w-[1232px] flex-1 px-6 py-5 max-md:px-4">
      <title>Jobs · Margin</title>
      <section
        aria-label="New setup"
        className="border-rule flex flex-wrap items-center gap-x-5 gap-y-2 border-b pb-4"
      >
        <h1 className="text-head mr-2 font-semibold">New setup</h1>
        {machineClasses.map((one) => (
          <Link
            key={one}
            to={setupPath(one)}
            className="border-ink/60 hover:border-ink flex min-h-11 items-center border px-4 font-semibold"
          >
            {classDefaults[one].title}
          </Link>
        ))}
        <p className="text-second">
          A reading and a target give the first answer.{' '}
          <kbd className="border-rule border px-1 font-sans text-[13px]">n</kbd>
        </p>
        <OpenFiles />
      </section>
      <UnsentJobs known={known} />
      <div className="mt-6 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h2 className="text-head font-semibold whitespace-nowrap">Jobs</h2>
        <div className="ml-auto w-56 max-sm:w-36">
          <FindBox
            label="Search jobs and machines"
            value={find}
            onChange={(words) => setParams(words ? { find: words } : {}, { replace: true })}
          />
        </div>
        <Elsewhere onCsv={() => mover.attempt(() => saveJobsCsv(still))} />
      </div>
      {isPending && <p className="text-second mt-3">Loading jobs …</p>}
      {isError && (
        <div className="mt-3">
          <p>No connection to the server. What you type is kept in this browser.</p>
          <Button className="mt-3" onClick={() => void refetch()}>
            Try again
          </Button>
        </div>
      )}
      {none && (
        <p className="text-second mt-3">
          {find === ''
            ? 'No jobs yet. Choose a machine above and type what the tape says.'
            : 'No results. Type part of a job’s or a machine’s name.'}
        </p>
      )}
      <MovedNote mover={mover} />
      <Shelf list={working} title={null} mover={mover} />
      <Shelf list={due} title="Due back" mover={mover} />
      <Shelf list={locked} title="Locked" mover={mover} />
      <PutAway find={still} mover={mover} />
    </main>
  );
}

/** What stands beside the jobs, and the list as a file. */
function Elsewhere({ onCsv }: { onCsv: () => void }) {
  return (
    <nav aria-label="Elsewhere" className="flex flex-wrap gap-x-4 gap-y-1">
      {ELSEWHERE.map(({ to, name, where }) => (
        <Link
          key={to}
          to={to}
          className={`text-action font-semibold underline underline-offset-4 ${places[where]}`}
        >
          {name}
        </Link>
      ))}
      <button
        type="button"
        className="text-action font-semibold underline underline-offset-4 max-sm:hidden"
        onClick={onCsv}
      >
        List as CSV
      </button>
    </nav>
  );
}

interface ShelfProps {
  list: ReturnType<typeof useJobList>;
  title: string | null;
  mover: Mover;
  away?: Away | null;
}

/** Jobs that are out of the way, read when somebody looks for them. */
function PutAway({ find, mover }: { find: string; mover: Mover }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="mt-8">
      <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Hide archived and deleted jobs' : 'Archived and deleted jobs'}
      </Button>
      {open && <AwayShelves find={find} mover={mover} />}
    </div>
  );
}

function AwayShelves({ find, mover }: { find: string; mover: Mover }) {
  const archived = useJobList(find, 'archived');
  const deleted = useJobList(find, 'deleted');
  const none = [archived, deleted].every(({ data }) => data?.pages[0]?.total === 0);
  if (none) return <p className="text-second">None.</p>;
  return (
    <>
      <Shelf list={archived} title="Archived" mover={mover} away="archived" />
      <Shelf list={deleted} title="Deleted" mover={mover} away="deleted" />
    </>
  );
}

/** Jobs of one kind, read on as somebody asks for more; nothing where there are none. */
function Shelf({ list, title, mover, away = null }: ShelfProps) {
  const jobs = list.data?.pages.flatMap((page) => page.jobs) ?? [];
  if (jobs.length === 0) return null;
  return (
    <section aria-label={title ?? 'Jobs'}>
      {title && <h2 className="text-head mt-8 font-semibold">{title}</h2>}
      <ul className="mt-2">
        {jobs.map((job) => (
          <JobLine
            key={job.id}
            job={job}
            due={job.due !== null}
            menu={<JobMenu job={job} away={away} mover={mover} />}
          />
        ))}
      </ul>
      {list.hasNextPage && (
        <Button className="mt-4" disabled={list.isFetchingNextPage} onClick={() => void list.fetchNextPage()}>
          {list.isFetchingNextPage ? 'Reading …' : `Show more of ${list.data?.pages[0]?.total ?? ''}`}
        </Button>
      )}
    </section>
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
  const [now] = useState(() => new Date().toISOString());
  if (!record) return null;
  const job: JobSummary = summarise(analysisOf(record), now);
  return <JobLine job={job} unsent />;
}
