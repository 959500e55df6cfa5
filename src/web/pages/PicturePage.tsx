import { Link, useParams } from 'react-router';
import { referenceKinds } from '#core/geometry/reference.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { LetGo } from '#core/document/sagReadings.ts';
import type { JobDocument } from '#core/document/types.ts';
import { measuredBy } from '#core/vision/measuredBy.ts';
import { PictureWork } from '../features/picture/PictureWork.tsx';
import type { ReadingOf } from '../features/picture/useTake.ts';
import { sagRound } from '../features/sag/sagRound.ts';
import { letGoWords, whoWords } from '#words/sagPrompts.ts';
import { JobContext } from '../jobStore/jobContext.ts';
import { useJob, type Job } from '../jobStore/useJob.ts';
import { FailurePage } from './FailurePage.tsx';

/** A height of a corner, or its sag, by picture, in the round that is being read. */
export function PicturePage() {
  const { id = '', corner = '', base } = useParams();
  const { job, query } = useJob(id);
  if (!job)
    return query.isError ? (
      <FailurePage notFound words="There is no such job, or no connection to the server." />
    ) : (
      <main className="p-6">
        <p className="text-second">Loading the job …</p>
      </main>
    );
  const { document } = job.record;
  const known = cornersIn(document).find((one) => one === corner);
  const of = base === undefined ? ({ kind: 'height' } as const) : sagOf(document, base);
  if (!known || !of) return <FailurePage notFound />;
  return (
    <JobContext value={job}>
      <Corner job={job} id={known} of={of} />
    </JobContext>
  );
}

/** Which reading of the sag bench is meant, as its address says: `extended`, or who is on and how it was let go. */
function sagOf({ riders }: JobDocument, base: string): ReadingOf | null {
  const [who = '', how] = base.split('-');
  const isKnown =
    base === 'extended' ||
    ((who === 'alone' || riders.some(({ key }) => key === who)) &&
      (how === 'press' || how === 'lift' || how === 'rest'));
  return isKnown ? { kind: 'sag', base } : null;
}

/** What is read, in words: the height, or in which state the sag. */
function readWords(document: JobDocument, of: ReadingOf): string {
  if (of.kind === 'height') return 'Height';
  const [who = '', how] = of.base.split('-');
  return how === undefined
    ? 'Fully extended'
    : `Sag, ${whoWords(document, who)}, ${letGoWords[how as LetGo]},`;
}

function Corner({ job, id, of }: { job: Job; id: CornerId; of: ReadingOf }) {
  const { state, record } = job;
  const round = of.kind === 'sag' ? sagRound(job) : state.turning ? state.current + 1 : state.current;
  const measure = measuredBy[record.document.corners[id].reference.kind];
  const key = of.kind === 'sag' ? of.base : '';
  return (
    <main className="bg-sheet border-rule mx-6 my-4 border p-5 max-md:mx-2 max-md:p-3">
      <title>{`${record.document.name}, by picture · Margin`}</title>
      <Head job={job} id={id} of={of} round={round} />
      {measure ? (
        <PictureWork key={`${id}/${round}/${key}`} of={of} id={id} round={round} measure={measure} />
      ) : (
        <NotByPicture document={record.document} id={id} />
      )}
    </main>
  );
}

function NotByPicture({ document, id }: { document: JobDocument; id: CornerId }) {
  return (
    <p>
      This height is taken as {referenceKinds[document.corners[id].reference.kind].title}: its ends do not
      stand beside a wheel, so that a picture cannot tell it. Read it with the tape.
    </p>
  );
}

/** What is read by picture, and the way to the same at another corner and back to the readings. */
function Head({ job, id, of, round }: { job: Job; id: CornerId; of: ReadingOf; round: number }) {
  const { record } = job;
  const { document } = record;
  const { title, how } = referenceKinds[document.corners[id].reference.kind];
  const stage = of.kind === 'sag' ? 'sag' : round === 0 ? 'baseline' : 'measure';
  const more = of.kind === 'sag' ? `/sag/${of.base}` : '';
  return (
    <div className="mb-4 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
      <h1 className="text-head font-semibold">
        {readWords(document, of)} by picture, {cornerNames[id]}{' '}
        <span className="text-second text-body font-normal">
          {document.name}, {round === 0 ? 'baseline' : `round ${round}`}: {title}, {how}
        </span>
      </h1>
      <nav aria-label="Corners" className="flex flex-wrap gap-x-4">
        {cornersIn(document).map((one) => (
          <Link
            key={one}
            to={`/jobs/${record.id}/picture/${one}${more}`}
            aria-current={one === id ? 'page' : undefined}
            className={`underline-offset-4 ${one === id ? 'font-semibold' : 'text-action underline'}`}
          >
            {cornerNames[one]}
          </Link>
        ))}
        <Link
          to={`/jobs/${record.id}/${stage}`}
          className="text-action font-semibold underline underline-offset-4"
        >
          Back to the readings
        </Link>
      </nav>
    </div>
  );
}
