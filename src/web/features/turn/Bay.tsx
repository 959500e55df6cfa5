import { memo, type ReactNode } from 'react';
import { Link } from 'react-router';
import { JobContext } from '../../jobStore/jobContext.ts';
import { useJob } from '../../jobStore/useJob.ts';
import { BayView } from './BayView.tsx';

/** Drawn anew for a change of the job alone. */
const View = memo(BayView);

/** A machine in its bay, in large letters: which it is, and what to do to it now. */
export function Bay({ id, children }: { id: string; children?: ReactNode }) {
  const { job } = useJob(id);
  if (!job) return <p className="p-2 text-[28px]">Loading the job …</p>;
  return (
    <JobContext value={job}>
      <div data-bay className="@container flex flex-1 flex-col">
        <div className="flex items-center justify-between gap-4">
          <h1 className="text-[20px] font-semibold">{job.record.document.name}</h1>
          <span className="flex flex-wrap items-center justify-end gap-3">
            {children}
            <Link
              to={`/jobs/${id}/next`}
              className="border-ink/60 flex min-h-11 items-center border px-4 font-semibold"
            >
              Back to the sheet
            </Link>
          </span>
        </div>
        <View />
      </div>
    </JobContext>
  );
}
