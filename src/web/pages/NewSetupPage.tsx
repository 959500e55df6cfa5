import { plannedMoves } from '#core/planning/answerShape.ts';
import { Select } from '../ui/Select.tsx';
import { JobContext, useThisJob } from '../jobStore/jobContext.ts';
import { percent } from '#words/figures.ts';
import { Move } from '../features/plan/PlannedMove.tsx';
import { useEffect, useRef, type RefObject } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { kindsOn, referenceKinds } from '#core/geometry/reference.ts';
import { classDefaults, machineClasses, type MachineClass } from '#core/kinds/classes/index.ts';
import { suspensionsOf } from '#core/kinds/suspension.ts';
import { collarSeat } from '#core/adjusting/alongDamper.ts';
import { CollarChoice } from '../features/suspension/CollarChoice.tsx';
import { SuspensionChoice } from '../features/suspension/SuspensionChoice.tsx';
import { axleOf, cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { assumedRatio, gainGroups, type GainGroup } from '#core/estimate/corner.ts';
import { chanceSum } from '#words/explain/cornerSums.ts';
import type { Json } from '#core/document/types.ts';
import { ClassChoice } from '../features/job/ClassChoice.tsx';
import { pathKey } from '../jobStore/draftKeys.ts';
import { useNewJob, type Job } from '../jobStore/useJob.ts';
import { useUndoKeys } from '../jobStore/useUndoKeys.ts';
import { useNewSetup } from '../jobStore/useNewSetup.ts';
import { capital, cornerNumbers } from '../ui/words.ts';
import { SumFigure } from '../features/sums/SumFigure.tsx';
import { SumPanel } from '../features/sums/SumPanel.tsx';
import { useRefusedDrafts } from '../jobStore/drafts.ts';
import { RefusedNote } from '../forms/RefusedNote.tsx';
import { NumberField } from '../forms/NumberField.tsx';
import { TextField } from '../forms/TextField.tsx';
import { FactField, ranges, useHeightQuestion, useTargetQuestion } from '../forms/fields.tsx';

/** A first answer before any form: what the tape reads, what it should read. */
export function NewSetupPage() {
  const job = useNewJob(useNewSetup);
  const { setClass, start } = useNewSetup();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const button = useRef<HTMLButtonElement>(null);
  const asked = params.get('class') as MachineClass | null;
  const current = job.record.document.machine.class;
  useEffect(() => {
    if (asked && machineClasses.includes(asked) && asked !== current) setClass(asked);
  }, [asked, current, setClass]);
  useUndoKeys(job.actions);
  const choose = (one: MachineClass) => {
    setClass(one);
    setParams({ class: one }, { replace: true });
  };
  const begin = () => void navigate(`/jobs/${start()}/next`);
  return (
    <JobContext value={job}>
      <main className="mx-auto grid w-full max-w-[1232px] flex-1 grid-cols-[minmax(0,1fr)_284px] content-start gap-x-6 px-6 py-5 max-lg:grid-cols-1 narrow:px-4">
        <title>New setup · Margin</title>
        <div>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <h1 className="text-head mr-2 font-semibold">New setup</h1>
            <ClassChoice classes={machineClasses} current={current} onChoose={choose} />
          </div>
          <div data-fields className="bg-sheet border-rule mt-4 border px-4 pt-2 pb-4">
            <Fields toStart={() => button.current?.focus()} />
          </div>
          <StartLine job={job} button={button} begin={begin} />
        </div>
        <Notes />
      </main>
    </JobContext>
  );
}

/** What is asked, and the first answer among it. */
function Fields({ toStart }: { toStart: () => void }) {
  const { document } = useThisJob().record;
  const corners = cornersIn(document);
  return (
    <>
      <Columns />
      <Row label="Measured height" help={<ReferenceChoice />}>
        {corners.map((id) => (
          <HeightNow key={id} id={id} />
        ))}
      </Row>
      <Row
        label="Target height"
        help={footingOf(document.machine.class) === 'bikes' ? 'at each end' : 'both sides of an axle'}
      >
        {gainGroups(document).map((group, i, all) => (
          <GroupTarget
            key={group.id}
            group={group}
            order={11 + i}
            {...(i === all.length - 1 ? { onEnter: toStart } : {})}
          />
        ))}
      </Row>
      <SuspensionRow />
      <CollarRow />
      <Answers />
      <Row label="Collar reads" help="if you have a caliper there">
        {corners.map((id) => (
          <FactField
            key={id}
            place={{ kind: 'collar', round: 0, corner: id, slot: 'now' }}
            label={`Collar reads, ${cornerNames[id]}`}
            showLabel="narrow"
            order={20 + cornerNumbers[id]}
            range={ranges.collar}
          />
        ))}
      </Row>
      <AssumedRow />
    </>
  );
}

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

function Columns() {
  const job = useThisJob();
  return (
    <div className="grid grid-cols-[132px_repeat(4,minmax(0,1fr))] gap-x-4 narrow:hidden" aria-hidden>
      <span />
      {cornersIn(job.record.document).map((id) => (
        <span key={id} className="py-1 font-semibold">
          <span className="figures text-second">{cornerNumbers[id]}</span> {capital(cornerNames[id])}
        </span>
      ))}
    </div>
  );
}

function Row({ label, help, children }: { label: string; help: React.ReactNode; children: React.ReactNode }) {
  return (
    <div className="border-rule mb-6 grid grid-cols-[132px_repeat(4,minmax(0,1fr))] items-start gap-x-4 border-t pt-2 narrow:grid-cols-2">
      <div className="narrow:col-span-2">
        <p className="font-medium">{label}</p>
        <div className="label text-second">{help}</div>
      </div>
      {children}
    </div>
  );
}

function ReferenceChoice() {
  const job = useThisJob();
  const { document } = job.record;
  const corners = cornersIn(document);
  const [first = 'LF'] = corners;
  const footing = footingOf(document.machine.class);
  // On bikes and sleds each end has its own usual reference: there it is chosen at intake.
  if (footing !== 'wheels')
    return gainGroups(document).map(({ id, title }) => (
      <span key={id} className="block">
        {title}: {referenceKinds[document.corners[id].reference.kind].title}
      </span>
    ));
  const set = (to: string) =>
    job.actions.change(
      'Height reference',
      ...corners.map((id): [string[], Json] => [['corners', id, 'reference', 'kind'], to]),
    );
  return (
    <Select
      label="Height reference"
      look="-ml-1 h-6 w-full bg-transparent"
      value={document.corners[first].reference.kind}
      options={kindsOn(footing).map((one) => ({ value: one, words: referenceKinds[one].title }))}
      onChange={set}
    />
  );
}

function HeightNow({ id }: { id: CornerId }) {
  const job = useThisJob();
  const ask = useHeightQuestion(job, id, 0);
  return (
    <FactField
      place={{ kind: 'height', round: 0, corner: id, slot: '1' }}
      label={`Measured height, ${cornerNames[id]}`}
      showLabel="narrow"
      order={cornerNumbers[id]}
      range={ranges.height}
      question={ask('1')}
    />
  );
}

/** One number for both sides of an axle; each side can be set apart later. */
function GroupTarget({ group, order, onEnter }: { group: GainGroup; order: number; onEnter?: () => void }) {
  const job = useThisJob();
  const sides = sidesOf(group);
  const [first] = sides;
  const ask = useTargetQuestion(job, sides);
  return (
    <NumberField
      question={ask}
      {...(sides.length > 1 ? { className: 'wide:col-span-2' } : {})}
      label={`Target height, ${group.title}`}
      showLabel="narrow"
      order={order}
      quantity="length"
      decimals={2}
      range={ranges.height}
      draftKey={pathKey(job.record.id, ...sides.map((id) => ['corners', id, 'targetMm']))}
      value={job.record.document.corners[first].targetMm}
      onCommit={(mm) =>
        job.actions.change(
          `Target, ${group.title}`,
          ...sides.map((id): [string[], Json] => [['corners', id, 'targetMm'], mm]),
        )
      }
      {...(onEnter ? { onEnter } : {})}
    />
  );
}

/** The corners that a group tells once. */
function sidesOf({ id }: GainGroup): [CornerId, ...CornerId[]] {
  const twin = twinOf(id);
  return twin ? [id, twin] : [id];
}

function Answers() {
  const job = useThisJob();
  const { answer } = job;
  return (
    <div
      className="border-action bg-wash/40 -mx-4 mb-4 grid grid-cols-[132px_repeat(4,minmax(0,1fr))] gap-x-4 border-y px-4 py-3 narrow:grid-cols-2"
      aria-live="polite"
      data-testid="first-answer"
    >
      <p className="font-medium narrow:col-span-2">
        Turn the collar
        <span className="label text-second block">
          {answer && answer.chanceAfter !== null && (
            <SumFigure name="Chance" sum={() => chanceSum(answer, 'after')}>
              {percent(answer.chanceAfter)} chance in tolerance
            </SumFigure>
          )}
        </span>
      </p>
      {cornersIn(job.record.document).map((id) => (
        <CornerAnswerCell key={id} id={id} />
      ))}
    </div>
  );
}

function CornerAnswerCell({ id }: { id: CornerId }) {
  const job = useThisJob();
  const { answer } = job;
  const move = answer && plannedMoves(answer).find((one) => one.id === id);
  if (!answer || !move || answer.chanceAfter === null) return <p className="text-second text-figure">—</p>;
  return (
    <div>
      <p className="label wide:hidden">{capital(cornerNames[id])}</p>
      <Move corner={move} answer={answer} size="text-head" />
    </div>
  );
}

/** How each axle is hung: asked before anything is believed of its ratio. Nothing where there is no choice. */
function SuspensionRow() {
  const job = useThisJob();
  const { document } = job.record;
  const groups = gainGroups(document);
  // Where there is only one, nobody need be asked.
  const isAsked = ({ id }: GainGroup) => suspensionsOf(document.machine.class, axleOf(id)).length > 1;
  if (!groups.some(isAsked)) return null;
  return (
    <Row label="Suspension" help="narrows the motion ratio">
      {groups.map((group) => (
        <div key={group.id} className="col-span-2 min-w-0">
          {isAsked(group) && <SuspensionChoice group={group} />}
        </div>
      ))}
    </Row>
  );
}

/** Where the collars sit on their dampers: which way raises it. */
function CollarRow() {
  const { document } = useThisJob().record;
  const groups = gainGroups(document);
  if (!groups.some(({ id }) => collarSeat(document, id))) return null;
  return (
    <Row label="Collar sits" help="which way raises it">
      {groups.map((group) => (
        <div key={group.id} className="col-span-2 min-w-0">
          <CollarChoice id={group.id} title={group.title} />
        </div>
      ))}
    </Row>
  );
}

/** What was assumed to get there, to be typed over. Per axle. */
function AssumedRow() {
  const job = useThisJob();
  const assumed = classDefaults[job.record.document.machine.class];
  const field = (group: GainGroup, name: 'ratio' | 'pitchMm', order: number) => {
    const sides = sidesOf(group);
    const [first] = sides;
    const ratio = name === 'ratio';
    return (
      <NumberField
        key={group.id + name}
        label={`${ratio ? 'Ratio' : 'Pitch'}, ${group.title}`}
        showLabel
        order={order}
        quantity={ratio ? 'ratio' : 'size'}
        decimals={2}
        range={ratio ? ranges.ratio : ranges.pitch}
        draftKey={pathKey(job.record.id, ...sides.map((id) => ['corners', id, name]))}
        assumed={ratio ? assumedRatio(job.record.document, first) : assumed.pitchMm}
        value={job.record.document.corners[first][name]}
        onCommit={(value) =>
          job.actions.change(
            `${ratio ? 'Motion ratio' : 'Thread pitch'}, ${group.title}`,
            ...sides.map((id): [string[], Json] => [['corners', id, name], value]),
          )
        }
      />
    );
  };
  return (
    <Row label="Assumed" help="type over what you know: ratio 0.5 or 2:1, pitch per turn">
      {/* Where each corner is told by itself there is room for its ratio alone. */}
      {gainGroups(job.record.document)
        .slice(0, 4)
        .flatMap((group, i, all) => [
          field(group, 'ratio', 31 + 2 * i),
          ...(all.length === 2 ? [field(group, 'pitchMm', 32 + 2 * i)] : []),
        ])}
    </Row>
  );
}
