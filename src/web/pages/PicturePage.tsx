import { Link, useParams } from 'react-router';
import { referenceKinds } from '#core/geometry/reference.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { measuredBy } from '#core/vision/measuredBy.ts';
import { PictureWork } from '../features/picture/PictureWork.tsx';
import { JobContext } from '../jobStore/jobContext.ts';
import { useJob, type Job } from '../jobStore/useJob.ts';
import { FailurePage } from './FailurePage.tsx';

/** A corner's height by picture, in the round that is being read. */
export function PicturePage() {
  const { id = '', corner = '' } = useParams();
  const { job, query } = useJob(id);
  if (!job)
    return query.isError ? (
      <FailurePage notFound words="There is no such job, or no connection to the server." />
    ) : (
      <main className="p-6">
        <p className="text-second">Loading the job …</p>
      </main>
    );
  const known = cornersIn(job.record.document).find((one) => one === corner);
  if (!known) return <FailurePage notFound />;
  return (
    <JobContext value={job}>
      <Corner job={job} id={known} />
    </JobContext>
  );
}

function Corner({ job, id }: { job: Job; id: CornerId }) {
  const { state, record } = job;
  const round = state.turning ? state.current + 1 : state.current;
  const { kind } = record.document.corners[id].reference;
  const measure = measuredBy[kind];
  const back = `/jobs/${record.id}/${round === 0 ? 'baseline' : 'measure'}`;
  const { title, how } = referenceKinds[kind];
  return (
    <main className="bg-sheet border-rule mx-6 my-4 border p-5 max-md:mx-2 max-md:p-3">
      <title>{`${record.document.name}, by picture · Margin`}</title>
      <div className="mb-4 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
        <h1 className="text-head font-semibold">
          Height by picture, {cornerNames[id]}{' '}
          <span className="text-second text-body font-normal">
            {record.document.name}, {round === 0 ? 'baseline' : `round ${round}`}: {title}, {how}
          </span>
        </h1>
        <nav aria-label="Corners" className="flex flex-wrap gap-x-4">
          {cornersIn(record.document).map((one) => (
            <Link
              key={one}
              to={`/jobs/${record.id}/picture/${one}`}
              aria-current={one === id ? 'page' : undefined}
              className={`underline-offset-4 ${one === id ? 'font-semibold' : 'text-action underline'}`}
            >
              {cornerNames[one]}
            </Link>
          ))}
          <Link to={back} className="text-action font-semibold underline underline-offset-4">
            Back to the readings
          </Link>
        </nav>
      </div>
      {measure ? (
        <PictureWork key={`${id}/${round}`} id={id} round={round} measure={measure} />
      ) : (
        <p>
          This height is taken as {title}: its ends do not stand beside a wheel, so that a picture cannot tell
          it. Read it with the tape.
        </p>
      )}
    </main>
  );
}
