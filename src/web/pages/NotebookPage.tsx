import { memo } from 'react';
import { useParams } from 'react-router';
import { ApiProblem } from '../api/client.ts';
import { usePracticeOf } from '../api/practice.ts';
import { Notebook } from '../features/practice/Notebook.tsx';
import { JobContext } from '../jobStore/jobContext.ts';
import { useJob } from '../jobStore/useJob.ts';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { FailurePage } from './FailurePage.tsx';

/** Drawn anew for a change of the job or of the try alone. */
const Pages = memo(Notebook);

/** A try by one's own judgement: what was read and turned, and nothing that is worked out of it. */
export function NotebookPage() {
  const { id = '' } = useParams();
  const { job, query } = useJob(id);
  const { data: practice, error } = usePracticeOf(id);
  const wrong = [query.error, error].find((one) => one instanceof ApiProblem);
  if (wrong) return <FailurePage notFound words={wrong.problem.title} />;
  if (!job || !practice) return <p className="text-second p-6">Loading the notebook …</p>;
  return (
    <JobContext value={job}>
      <title>Notebook · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">{job.record.document.name}</h1>
      </HeaderSlot.Fill>
      <Pages practice={practice} />
    </JobContext>
  );
}
