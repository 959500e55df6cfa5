import { useState } from 'react';
import { Link } from 'react-router';
import type { Json } from '#core/document/types.ts';
import type { LabSetup } from '#core/lab/setup.ts';
import { cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { useJobList } from '../../api/jobs.ts';
import { useJob, type Job } from '../../jobStore/useJob.ts';
import { capital } from '../../ui/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { FindBox } from '../../ui/FindBox.tsx';
import { useDebounced } from '../../ui/useDebounced.ts';

/** Puts the springs of the bench into a job: what is fitted there is then these. */
export function IntoJob({ setup }: { setup: LabSetup }) {
  const [open, setOpen] = useState(false);
  const [jobId, setJobId] = useState<string | null>(null);
  const close = () => {
    setOpen(false);
    setJobId(null);
  };
  return (
    <>
      <Button onClick={() => setOpen(true)}>Add to job</Button>
      <Dialog
        open={open}
        onClose={close}
        title={`${setup.name} into a job`}
        description="Springs, rings and preload are written there as what is fitted. It can be undone in the job."
      >
        {jobId ? <ChosenJob id={jobId} setup={setup} /> : <Jobs choose={setJobId} />}
      </Dialog>
    </>
  );
}

function Jobs({ choose }: { choose: (id: string) => void }) {
  const [find, setFind] = useState('');
  const { data, isPending } = useJobList(useDebounced(find));
  const jobs = data?.pages.flatMap((page) => page.jobs) ?? [];
  return (
    <>
      <FindBox label="Find a job" value={find} onChange={setFind} />
      <ul className="mt-2">
        {jobs.map(({ id, name, title }) => (
          <li key={id}>
            <button
              type="button"
              className="hover:bg-wash min-h-10 w-full px-2 text-left"
              onClick={() => choose(id)}
            >
              <b>{name}</b> <span className="text-second">{title}</span>
            </button>
          </li>
        ))}
      </ul>
      {jobs.length === 0 && (
        <p className="text-second mt-2">{isPending ? 'Loading jobs …' : 'No results.'}</p>
      )}
    </>
  );
}

function ChosenJob({ id, setup }: { id: string; setup: LabSetup }) {
  const { job } = useJob(id);
  const [corner, setCorner] = useState<CornerId | null>(null);
  const [both, setBoth] = useState(true);
  const [done, setDone] = useState(false);
  if (!job) return <p className="text-second">Loading the job …</p>;
  const { document } = job.record;
  const at = corner ?? cornersIn(document)[0] ?? 'LF';
  const twin = twinOf(at);
  if (done)
    return (
      <p>
        Written into {document.name}.{' '}
        <Link to={`/jobs/${id}/intake`} className="text-action font-semibold underline underline-offset-4">
          Look at it there
        </Link>
      </p>
    );
  return (
    <>
      <p className="font-semibold">{document.name}</p>
      <fieldset className="mt-2">
        <legend className="label text-second">At which corner</legend>
        <div className="flex flex-wrap gap-x-5">
          {cornersIn(document).map((one) => (
            <label key={one} className="flex min-h-9 cursor-pointer items-center gap-2">
              <input
                type="radio"
                name="corner"
                className="accent-action size-4"
                checked={one === at}
                onChange={() => setCorner(one)}
              />
              {capital(cornerNames[one])}
            </label>
          ))}
        </div>
      </fieldset>
      {twin && (
        <label className="flex min-h-9 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="accent-action size-4"
            checked={both}
            onChange={(event) => setBoth(event.target.checked)}
          />
          the same {cornerNames[twin]}
        </label>
      )}
      {job.facts.some(({ fact }) => fact.kind === 'height' || fact.kind === 'travel-used') && (
        <p className="text-tight mt-2">
          This job was measured already. Its readings will count as made on these springs: go on if these are
          what was on it then. For springs that come on now, start the machine’s next job.
        </p>
      )}
      <Button
        look="main"
        className="mt-3"
        onClick={() => {
          write(job, twin && both ? [at, twin] : [at], setup);
          setDone(true);
        }}
      >
        Write it into the job
      </Button>
    </>
  );
}

/** What is fitted at corners of a job becomes this. Preload is kept as of the baseline, so seats moved since are taken off. */
function write(job: Job, corners: readonly CornerId[], setup: LabSetup): void {
  const { answer } = job;
  const parts = corners.flatMap((id): [string[], Json][] => {
    const i = answer?.machine.corners.indexOf(id) ?? -1;
    const moved = answer?.now.seatsBy[i] ?? 0;
    const rings = setup.rings.map((ring) => ({ ...ring, gapMm: null }));
    return [
      [['corners', id, 'springs'], setup.springs],
      [['corners', id, 'rings'], rings],
      [['corners', id, 'preloadMm'], setup.preloadMm - moved],
    ];
  });
  job.actions.change(`Springs from the stack lab: ${setup.name}`, ...parts);
}
