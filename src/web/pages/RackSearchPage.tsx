import { useSay } from '../ui/settings.ts';
import { WorkFailed } from '../ui/WorkFailed.tsx';
import { Search } from 'lucide-react';
import { useMemo } from 'react';
import { isSagJob } from '#core/document/sagWish.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import { TorsionAnswers } from '../features/rack/TorsionAnswers.tsx';
import { Link, useSearchParams } from 'react-router';
import { faultWords } from '#words/faults.ts';
import { allCorners, cornerNames } from '#core/kinds/corners.ts';
import { checkProblem } from '#core/rack/problem.ts';
import { useJobRecord } from '../api/jobs.ts';
import { useRack } from '../api/rack.ts';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { Button } from '../ui/Button.tsx';
import { FoundTable } from '../features/rack/FoundTable.tsx';
import { ProblemFields } from '../features/rack/ProblemFields.tsx';
import { useProblem } from '../features/rack/useProblem.ts';
import { useSearch, type Search as Searching } from '../features/rack/useSearch.ts';
import { WhyNotPanel } from '../features/rack/WhyNotPanel.tsx';
import { problemName } from '../features/rack/problemNames.ts';

const noSprings: RackSpring[] = [];

/** Which springs of the rack do it: for a corner of a job, or for figures typed in. */
export function RackSearchPage() {
  const [params] = useSearchParams();
  const jobId = params.get('job') ?? '';
  const corner = allCorners.find((id) => id === params.get('corner')) ?? null;
  const { record } = useJobRecord(jobId);
  const rack = useRack();
  const say = useSay(1);
  const all = rack.data ?? noSprings;
  const springs = useMemo(() => all.filter(({ torsion }) => torsion === null), [all]);
  const isTorsion = corner !== null && record?.document.corners[corner].torsion;
  const { problem, change, fromJob, broken } = useProblem(record ?? null, corner);
  const search = useSearch(problem);
  const checked = checkProblem(problem);
  const waiting = jobId !== '' && !record && !fromJob;
  return (
    <main className="mx-auto w-full max-w-[1360px] flex-1 px-6 py-4 narrow:px-4">
      <title>Find springs · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">Find springs</h1>
        {record && corner && (
          <Link to={`/jobs/${jobId}/plan`} className="text-action font-semibold underline underline-offset-4">
            {record.document.name}, {cornerNames[corner]}
          </Link>
        )}
        <Link to="/rack" className="text-second underline underline-offset-4">
          The rack
        </Link>
      </HeaderSlot.Fill>
      {broken && (
        <p role="alert" className="text-short mb-3">
          The link could not be read whole; what was last looked for stands here.
        </p>
      )}
      {waiting ? (
        <p className="text-second">Loading the job …</p>
      ) : isTorsion && record && corner ? (
        <section aria-label="Answers" className="bg-sheet border-rule border p-4">
          <TorsionAnswers record={record} corner={corner} springs={all} />
        </section>
      ) : (
        <div className="bg-sheet border-rule grid grid-cols-[400px_minmax(0,1fr)] gap-x-8 border p-4 max-lg:grid-cols-1">
          <ProblemFields problem={problem} change={change} />
          <section aria-label="Answers" className="min-w-0 max-lg:mt-6">
            <Controls
              search={search}
              count={springs.length}
              ready={checked.ok && springs.length > 0}
              start={() => search.start(springs)}
            />
            {jobId !== '' && record && !fromJob && (
              <p className="text-tight mt-2">
                {isSagJob(record.document)
                  ? 'Both sags of this end are not read yet: give what it is to do here.'
                  : 'Nobody has named this corner’s springs, so its load is not known: give it here.'}
              </p>
            )}
            {!checked.ok && (
              <p role="alert" className="text-short mt-2 whitespace-pre-line">
                {faultWords(checked.faults, say, (path) => problemName(problem, path))}
              </p>
            )}
            {search.failed !== null && <WorkFailed />}
            {rack.isError && springs.length === 0 && (
              <p role="alert" className="mt-2">
                The rack cannot be loaded: no connection to the server.
              </p>
            )}
            {!rack.isPending && !rack.isError && springs.length === 0 && (
              <p className="text-second mt-2">The rack is empty: there is nothing to search yet.</p>
            )}
            {springs.length > 0 && checked.ok && <WhyNotPanel problem={problem} rack={springs} />}
            <Answers search={search} problem={problem} />
          </section>
        </div>
      )}
    </main>
  );
}

interface ControlsProps {
  search: Searching;
  count: number;
  ready: boolean;
  start: () => void;
}

function Controls({ search, count, ready, start }: ControlsProps) {
  const { progress, running, stopped } = search;
  const share = progress && progress.of > 0 ? progress.tried / progress.of : 0;
  return (
    <div className="flex flex-wrap items-center gap-4">
      {running ? (
        <Button onClick={search.stop}>Stop</Button>
      ) : (
        <Button look="main" disabled={!ready} onClick={start}>
          <Search size={15} aria-hidden className="mr-1.5 inline" />
          Search {count} springs
        </Button>
      )}
      {running && (
        <progress aria-label="Combinations tried" value={share} className="accent-action h-2 w-40" />
      )}
      <p className="text-second" role="status" data-testid="tried">
        {progress && (
          <>
            {progress.tried.toLocaleString('en')} of {progress.of.toLocaleString('en')} combinations tried,{' '}
            {progress.landed.toLocaleString('en')} do it
            {stopped && '; stopped'}
          </>
        )}
      </p>
    </div>
  );
}

function Answers({
  search,
  problem,
}: {
  search: Searching;
  problem: Parameters<typeof FoundTable>[0]['problem'];
}) {
  const { progress, running } = search;
  if (!progress)
    return (
      <p className="text-second mt-4 max-w-[60ch]">
        {running
          ? 'Looking …'
          : 'Every spring alone, tender with main spring, and pair with a ring is tried in every load case. Those with most left come first.'}
      </p>
    );
  if (progress.found.length === 0)
    return running ? null : (
      <p className="mt-4 max-w-[60ch]">
        Nothing on the rack does it. Widen a window, the room or the ring’s range. Or ask below why a certain
        spring does not fit.
      </p>
    );
  return (
    <div className="mt-4">
      <FoundTable problem={problem} found={progress.found} />
      {progress.landed > progress.found.length && (
        <p className="label text-second mt-2">The {progress.found.length} with most left are shown.</p>
      )}
    </div>
  );
}
