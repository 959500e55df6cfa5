import { JobContext } from '../jobStore/jobContext.ts';
import { memo, useEffect } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { machineClasses, type MachineClass } from '#core/kinds/classes/index.ts';
import { isRidden } from '#core/document/riders.ts';
import { ClassChoice } from '../features/job/ClassChoice.tsx';
import { pathKey } from '../jobStore/draftKeys.ts';
import { useNewJob } from '../jobStore/useJob.ts';
import { useUndoKeys } from '../jobStore/useUndoKeys.ts';
import { useSagSetup } from '../jobStore/useNewSetup.ts';
import { useShopTolerances } from '../jobStore/useShopTolerances.ts';
import { SumPanel } from '../features/sums/SumPanel.tsx';
import { TextField } from '../forms/TextField.tsx';
import { setupPath } from '../features/setup/setupPath.ts';
import { SagStage } from '../features/sag/SagStage.tsx';

/** Drawn anew for a change of the setup alone. */
const Bench = memo(SagStage);

const ridden = machineClasses.filter(isRidden);

/** The sag bench without a job: pick the machine, say who rides it, read. What is worth keeping becomes a job. */
export function SagStartPage() {
  const job = useNewJob(useSagSetup);
  useShopTolerances(useSagSetup);
  const { setClass, start } = useSagSetup();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const current = job.record.document.machine.class;
  const asked = params.get('class') as MachineClass | null;
  const wanted = asked && ridden.includes(asked) ? asked : isRidden(current) ? current : 'motorcycle';
  useEffect(() => {
    if (wanted !== current) setClass(wanted);
  }, [wanted, current, setClass]);
  useUndoKeys(job.actions);
  const choose = (one: MachineClass) => {
    if (ridden.includes(one)) setClass(one);
    void navigate(setupPath(one), { replace: true });
  };
  return (
    <JobContext value={job}>
      <main className="mx-auto grid w-full max-w-[1232px] flex-1 grid-cols-[minmax(0,1fr)_284px] content-start gap-x-6 px-6 py-4 max-lg:grid-cols-1 narrow:px-4">
        <title>New setup by sag · Margin</title>
        <div className="min-w-0">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <h1 className="text-head mr-2 font-semibold">New setup by sag</h1>
            <ClassChoice classes={machineClasses} current={current} onChoose={choose} />
          </div>
          <div className="bg-sheet border-rule mt-4 border">{isRidden(current) && <Bench fresh />}</div>
          <p className="text-second mt-3">
            No sag, but heights with nobody on?{' '}
            <Link
              to={`/new?class=${current}`}
              className="text-action font-semibold underline underline-offset-4"
            >
              Set it by heights
            </Link>
          </p>
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
            <li>Rider on in full gear, feet up: rock it until it reads the same again.</li>
            <li>Better: pressed and let go, then lifted and let go. Friction is out of their middle.</li>
            <li>With nobody on as well, it tells whether the spring is right.</li>
          </ul>
        </aside>
      </main>
    </JobContext>
  );
}
