import { JobContext } from '../jobStore/jobContext.ts';
import { useEffect } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { machineClasses, type MachineClass } from '#core/kinds/classes/index.ts';
import { isRidden } from '#core/document/riders.ts';
import { ClassChoice } from '../features/job/ClassChoice.tsx';
import { pathKey } from '../jobStore/draftKeys.ts';
import { useNewJob } from '../jobStore/useJob.ts';
import { useUndoKeys } from '../jobStore/useUndoKeys.ts';
import { useSagSetup } from '../jobStore/useNewSetup.ts';
import { SumPanel } from '../features/sums/SumPanel.tsx';
import { TextField } from '../forms/TextField.tsx';
import { SagStage } from '../features/sag/SagStage.tsx';

const ridden = machineClasses.filter(isRidden);

/** The sag bench without a job: pick the machine, say who rides it, read. What is worth keeping becomes a job. */
export function SagStartPage() {
  const job = useNewJob(useSagSetup);
  const { setClass, start } = useSagSetup();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const current = job.record.document.machine.class;
  const asked = params.get('class') as MachineClass | null;
  const wanted = asked && ridden.includes(asked) ? asked : isRidden(current) ? current : 'motorcycle';
  useEffect(() => {
    if (wanted !== current) setClass(wanted);
  }, [wanted, current, setClass]);
  useUndoKeys(job.actions);
  const choose = (one: MachineClass) => {
    setClass(one);
    setParams({ class: one }, { replace: true });
  };
  return (
    <JobContext value={job}>
      <main className="mx-auto grid w-full max-w-[1232px] flex-1 grid-cols-[minmax(0,1fr)_284px] content-start gap-x-6 px-6 py-4 max-lg:grid-cols-1 narrow:px-4">
        <title>Sag bench · Margin</title>
        <div className="min-w-0">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <h1 className="text-head mr-2 font-semibold">Sag bench</h1>
            <ClassChoice classes={ridden} current={current} onChoose={choose} />
          </div>
          <div className="bg-sheet border-rule mt-4 border">{isRidden(current) && <SagStage fresh />}</div>
        </div>
        <aside
          aria-label="Notes"
          className="border-short/70 border-l-2 pl-3 max-lg:mt-4 max-lg:border-l-0 max-lg:pl-0"
        >
          <SumPanel />
          <h2 className="font-semibold">Keep it</h2>
          <p className="text-second mt-1">
            It is all kept in this browser. A job also has a plan, rounds and a logbook, and everybody in the
            shop can open it.
          </p>
          <div className="mt-3">
            <TextField
              label="Name of the job"
              value={job.record.document.name}
              draftKey={pathKey(job.record.id, ['name'])}
              maxLength={80}
              placeholder="Unnamed job"
              onCommit={(name) => job.actions.change('Job name', [['name'], name])}
            />
          </div>
          <button
            type="button"
            disabled={job.record.document.riders.length === 0}
            onClick={() => void navigate(`/jobs/${start()}/sag`)}
            className="bg-action text-on-action mt-3 min-h-11 px-5 font-semibold disabled:cursor-not-allowed disabled:opacity-50"
          >
            Save as job
          </button>
          <h2 className="mt-6 font-semibold">How sag is read</h2>
          <ul className="text-second mt-1 list-none space-y-1">
            <li>Fully extended once: lifted, free play out.</li>
            <li>Pressed and let go, lifted and let go: friction is out of their middle.</li>
            <li>The same with the rider on, in full gear, feet up.</li>
          </ul>
        </aside>
      </main>
    </JobContext>
  );
}
