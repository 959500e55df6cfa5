import { memo, useEffect, useRef, type RefObject } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { machineClasses, type MachineClass } from '#core/kinds/classes/index.ts';
import { ClassChoice } from '../features/job/ClassChoice.tsx';
import { Asked } from '../features/finding/Asked.tsx';
import { KitRow } from '../features/setup/KitRow.tsx';
import { PartChoice } from '../features/intake/PartChoice.tsx';
import { FirstAnswer } from '../features/setup/FirstAnswer.tsx';
import { RiderOn } from '../features/setup/RiderOn.tsx';
import { setupPath } from '../features/setup/setupPath.ts';
import { SetupAssumed, SetupCollars, SetupFitted } from '../features/setup/SetupFitted.tsx';
import { SetupColumns } from '../features/setup/SetupGrid.tsx';
import { SetupHeights } from '../features/setup/SetupHeights.tsx';
import { SumPanel } from '../features/sums/SumPanel.tsx';
import { RefusedNote } from '../forms/RefusedNote.tsx';
import { TextField } from '../forms/TextField.tsx';
import { pathKey } from '../jobStore/draftKeys.ts';
import { useRefusedDrafts } from '../jobStore/drafts.ts';
import { JobContext, useThisJob } from '../jobStore/jobContext.ts';
import { useNewJob, type Job } from '../jobStore/useJob.ts';
import { useNewSetup } from '../jobStore/useNewSetup.ts';
import { useShopTolerances } from '../jobStore/useShopTolerances.ts';
import { useUndoKeys } from '../jobStore/useUndoKeys.ts';

/** A first answer before any form: what the tape reads, what it should read. */
export function NewSetupPage() {
  const job = useNewJob(useNewSetup);
  useShopTolerances(useNewSetup);
  return (
    <JobContext value={job}>
      <Setup />
    </JobContext>
  );
}

/** Drawn anew for a change of the job alone, not as what is typed is found to have stood for a moment. */
const Setup = memo(function Setup() {
  const job = useThisJob();
  const { setClass, start } = useNewSetup();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const button = useRef<HTMLButtonElement>(null);
  const asked = params.get('class') as MachineClass | null;
  const current = job.record.document.machine.class;
  useEffect(() => {
    if (asked && machineClasses.includes(asked) && asked !== current) setClass(asked);
  }, [asked, current, setClass]);
  useUndoKeys(job.actions);
  const sheet = useRef<HTMLDivElement>(null);
  // Where a key is typed rather than tapped the first reading can go in at once.
  useEffect(() => {
    if (matchMedia('(pointer: fine)').matches)
      sheet.current?.querySelector<HTMLElement>('[data-order="1"]')?.focus({ preventScroll: true });
  }, []);
  const choose = (one: MachineClass) => {
    setClass(one);
    void navigate(setupPath(one), { replace: true });
  };
  const begin = () => void navigate(`/jobs/${start()}/next`);
  return (
    <main className="mx-auto grid w-full max-w-[1232px] flex-1 grid-cols-[minmax(0,1fr)_284px] content-start gap-x-6 px-6 py-5 max-lg:grid-cols-1 narrow:px-4">
      <title>New setup · Margin</title>
      <div>
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="text-head mr-2 font-semibold">New setup</h1>
          <ClassChoice classes={machineClasses} current={current} onChoose={choose} />
        </div>
        <RiderOn />
        <div ref={sheet} data-fields className="bg-sheet border-rule mt-4 border px-4 pt-2 pb-4">
          <SetupColumns />
          <SetupHeights toStart={() => button.current?.focus()} />
          <SetupFitted />
          <KitRow />
          <FirstAnswer />
          <SetupCollars />
          <SetupAssumed />
        </div>
        <StartLine job={job} button={button} begin={begin} />
        {/* Under the button: what comes up as a field is left must not move it from under the pointer. */}
        <div className="-mx-4 mt-3">
          <Asked />
        </div>
      </div>
      <Notes />
    </main>
  );
});

interface StartProps {
  job: Job;
  button: RefObject<HTMLButtonElement | null>;
  begin: () => void;
}

/** Its name and the way on, once there is an answer and nothing is refused. */
function StartLine({ job, button, begin }: StartProps) {
  const refused = useRefusedDrafts(job.record.id);
  const answered = job.answer !== null;
  return (
    <div className="mt-4 flex flex-wrap items-end gap-4">
      <div className="w-64">
        <TextField
          label="Name of the job"
          value={job.record.document.name}
          draftKey={pathKey(job.record.id, ['name'])}
          maxLength={80}
          placeholder="Unnamed job"
          onCommit={(name) => job.actions.change('Job name', [['name'], name])}
        />
      </div>
      <PartChoice stacked />
      <button
        ref={button}
        type="button"
        disabled={!answered || refused.length > 0}
        onClick={begin}
        className="bg-action text-on-action min-h-11 px-5 font-semibold disabled:cursor-not-allowed disabled:opacity-50"
      >
        Start job
      </button>
      {refused.length > 0 ? (
        <RefusedNote refused={refused} />
      ) : (
        <p className="text-second pb-2">
          {answered ? 'Everything else is optional.' : 'Type what the tape reads at one corner at least.'}
        </p>
      )}
    </div>
  );
}

function Notes() {
  return (
    <aside
      aria-label="Notes"
      className="border-short/70 border-l-2 pl-3 max-lg:mt-4 max-lg:border-l-0 max-lg:pl-0"
    >
      <SumPanel />
      <h2 className="font-semibold">How to type</h2>
      <ul className="text-second mt-1 list-none space-y-1">
        <li>
          <b className="text-ink">375</b> counts as the unit chosen above.
        </li>
        <li>
          <b className="text-ink">14 3/4</b>, <b className="text-ink">14.75"</b>,{' '}
          <b className="text-ink">37.5 cm</b> work anywhere.
        </li>
        <li>Enter goes on to the next corner.</li>
      </ul>
    </aside>
  );
}
