import type { ReactNode } from 'react';
import { Select } from '../../ui/Select.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerField } from '#core/document/description/corner.ts';
import { kindsOn, referenceKinds } from '#core/geometry/reference.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { gainGroups } from '#core/estimate/corner.ts';
import { SuspensionChoice } from '../suspension/SuspensionChoice.tsx';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import type { Json } from '#core/document/types.ts';
import { sizeText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { pathKey, valueAt } from '../../jobStore/draftKeys.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { pathWords } from '#words/fields.ts';
import type { Range } from '../../forms/quantity.ts';
import { saveJobFile } from '../job/jobFiles.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { Asked } from '../finding/Asked.tsx';
import { collarSeat } from '#core/adjusting/alongDamper.ts';
import { AdjustersSection } from './AdjustersSection.tsx';
import { CaliperEnd, CornerCollar } from './CollarParts.tsx';
import { FittingChoice } from './FittingChoice.tsx';
import { FittedSection } from './FittedSection.tsx';
import { GoalSetter } from './GoalSetter.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { PathField, useTargetQuestion } from '../../forms/fields.tsx';
import { RatioChoice } from './RatioChoice.tsx';
import { RoomSection } from './RoomSection.tsx';
import { SideChoice } from './SideChoice.tsx';

interface Row {
  label: string;
  help: string;
  /** Within a corner of the document. */
  path: string[];
}

const classOf = (job: Job) => classDefaults[job.record.document.machine.class];

const NUMBER_ROWS: readonly Row[] = [
  { label: 'Target height', help: 'as the sheet states it', path: ['targetMm'] },
  { label: 'Offset', help: 'added to the tape’s reading to reach the specified point', path: ['reference', 'offsetMm'] },
  { label: 'Motion ratio', help: 'damper per wheel: 0.5 or 2:1', path: ['ratio'] },
  { label: 'Thread pitch', help: 'seat travel per turn', path: ['pitchMm'] },
  { label: 'Wheel travel', help: 'full droop to metal', path: ['travelMm'] },
  { label: 'Bump stop takes', help: 'wheel travel left when it is first touched', path: ['stopMm'] },
  { label: 'Collar from', help: 'least reading on good thread', path: ['collar', 'minMm'] },
  { label: 'Collar to', help: 'greatest reading on good thread', path: ['collar', 'maxMm'] },
]; // prettier-ignore

/** What it is, what is fitted, what is wanted. Everything not given is assumed for the class and says so. */
export function IntakeStage() {
  const job = useThisJob();
  return (
    <>
      <Asked />
      <div data-fields className="flex flex-1 flex-col px-4 pt-4">
        <JobFields />
        <GoalSetter />
        <div className="relative mt-3 overflow-x-auto pb-6">
          <table className="w-full min-w-[640px] table-fixed border-collapse">
            <caption className="sr-only">Each corner</caption>
            <thead>
              <tr className="text-left">
                <th className="w-[168px]" />
                {cornersIn(job.record.document).map((id) => (
                  <th key={id} scope="col" className="px-2 pb-1 font-semibold">
                    <span className="figures text-second">{cornerNumbers[id]}</span>{' '}
                    {capital(cornerNames[id])}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {NUMBER_ROWS.slice(0, 1).map((row, i) => (
                <NumberRow key={row.label} row={row} index={i} />
              ))}
              <PartRow label="What is turned" help="pick the picture" Part={FittingChoice} />
              <ChoiceRow label="Height reference" path={['reference', 'kind']} options={kindOptions(job)} />
              {NUMBER_ROWS.slice(1, 3).map((row, i) => (
                <NumberRow key={row.label} row={row} index={i + 1} />
              ))}
              <PartRow
                label="Motion ratio from"
                help="more than one number where it changes"
                Part={RatioChoice}
              />
              {NUMBER_ROWS.slice(3).map((row, i) => (
                <NumberRow key={row.label} row={row} index={i + 3} />
              ))}
              {cornersIn(job.record.document).some((id) => collarSeat(job.record.document, id)) && (
                <PartRow label="Collar sits" help="pick the picture, both sides" Part={CornerCollar} />
              )}
              <PartRow label="Caliper goes from" help="to the collar" Part={CaliperEnd} />
              <DatumRow />
            </tbody>
          </table>
        </div>
        <AdjustersSection />
        <FittedSection />
        <RoomSection />
      </div>
      <Footer>
        <p className="text-second min-w-[250px] flex-1">
          Figures in grey are assumed for a {classOf(job).title}; type over them when you know better.
          <TaughtBy />
        </p>
        <Button look="quiet" onClick={() => saveJobFile(job.record)}>
          Save as a job file
        </Button>
        <NextLink from="intake" />
      </Footer>
    </>
  );
}

interface PartRowProps {
  label: string;
  help: string;
  Part: (props: { id: CornerId }) => ReactNode;
}

/** A row whose cells have a part of the page of their own. */
function PartRow({ label, help, Part }: PartRowProps) {
  const job = useThisJob();
  return (
    <tr className="border-rule border-t">
      <th scope="row" className="py-1 pr-2 text-left font-medium">
        {label}
        <span className="label text-second block font-normal">{help}</span>
      </th>
      {cornersIn(job.record.document).map((id) => (
        <td key={id} className="px-2 py-1">
          <Part id={id} />
        </td>
      ))}
    </tr>
  );
}

/** Where ratios come from an earlier job on the same machine. */
function TaughtBy() {
  const job = useThisJob();
  const { learnt } = job.record.document.machine;
  return learnt && <> Its ratios are as {learnt.from} taught them.</>;
}

function JobFields() {
  const job = useThisJob();
  const { record, actions } = job;
  const text = (path: string[], label: string, max = 80) => (
    <TextField
      label={label}
      value={valueAt(record.document, path) as string}
      draftKey={pathKey(record.id, path)}
      maxLength={max}
      required={path[0] === 'name'}
      onCommit={(value) => actions.change(capital(pathWords(path)), [path, value])}
    />
  );
  return (
    <div className="relative grid grid-cols-4 items-end gap-x-4 gap-y-2 max-md:grid-cols-2">
      {text(['name'], 'Job')}
      {text(['machine', 'title'], 'Machine')}
      {text(['load'], 'Load on board while measuring', 200)}
      <PathField path={['toleranceMm']} label="Tolerance, each corner ±" showLabel order={1} />
      <TolerancePreset />
      <SideChoice />
      <HardEnd />
      {gainGroups(job.record.document).map((group) => (
        <SuspensionChoice key={group.id} group={group} />
      ))}
    </div>
  );
}

/** What makers allow and careful people want, corner to corner; where to start from, not dogma. */
const tolerancePresets = [
  { mm: 3, words: 'careful' },
  { mm: 6, words: 'as car makers allow' },
  { mm: 13, words: 'as truck makers allow' },
  { mm: 25, words: 'as side-by-side makers allow' },
];

function TolerancePreset() {
  const job = useThisJob();
  const style = useLengthStyle(0);
  const now = job.record.document.toleranceMm;
  const known = tolerancePresets.some(({ mm }) => mm === now);
  return (
    <label className="min-w-0 md:col-span-2">
      <span className="label text-second block">Tolerance from</span>
      <Select
        look="w-full"
        value={now === null ? '' : known ? String(now) : 'own'}
        options={[
          { value: '', words: `this class: ${sizeText(classOf(job).toleranceMm, style.system)}` },
          ...tolerancePresets.map(({ mm, words }) => ({
            value: String(mm),
            words: `${words}: ${sizeText(mm, style.system)}`,
          })),
          ...(now !== null && !known ? [{ value: 'own', words: 'own' }] : []),
        ]}
        onChange={(to) =>
          to !== 'own' && job.actions.change('Tolerance', [['toleranceMm'], to === '' ? null : Number(to)])
        }
      />
    </label>
  );
}

/** Which end means taking things apart: it is turned first. */
function HardEnd() {
  const job = useThisJob();
  return (
    <label className="min-w-0">
      <span className="label text-second block">Harder end to reach</span>
      <Select
        look="w-full"
        value={job.record.document.hardEnd ?? ''}
        options={[
          { value: '', words: 'neither end' },
          { value: 'front', words: 'the front: set first' },
          { value: 'rear', words: 'the rear: set first' },
        ]}
        onChange={(to) => job.actions.change('Harder end to reach', [['hardEnd'], to || null])}
      />
    </label>
  );
}

function NumberRow({ row, index }: { row: Row; index: number }) {
  const job = useThisJob();
  const askTarget = useTargetQuestion(job, cornersIn(job.record.document));
  return (
    <tr className="border-rule relative border-t">
      <th scope="row" className="py-1 pr-2 text-left font-medium">
        {row.label}
        <span className="label text-second block font-normal">{row.help}</span>
        <SameAllRound path={row.path} label={row.label} />
      </th>
      {cornersIn(job.record.document).map((id) => {
        return (
          <td key={id} className="px-2 py-1 align-top">
            <PathField
              {...(row.label === 'Target height' ? { question: askTarget } : {})}
              path={['corners', id, ...row.path]}
              order={10 * (index + 1) + cornerNumbers[id]}
              {...rangeAt(job, id, row)}
            />
          </td>
        );
      })}
    </tr>
  );
}

/** A collar's limits bound each other, so that the field itself refuses what crosses. */
function rangeAt(job: Job, id: CornerId, { path: [first, key] }: Row): { range?: Range } {
  if (first !== 'collar') return {};
  const { minMm, maxMm } = job.record.document.corners[id].collar;
  const { range } = cornerField.fields.collar.fields.minMm;
  return {
    range: key === 'minMm' ? { ...range, max: maxMm ?? range.max } : { ...range, min: minMm ?? range.min },
  };
}

/** Copies the first corner's value to the others. */
function SameAllRound({
  path,
  label,
  isChoice = false,
}: {
  path: string[];
  label: string;
  isChoice?: boolean;
}) {
  const job = useThisJob();
  const [first = 'LF', ...rest] = cornersIn(job.record.document);
  const from = valueAt(job.record.document, ['corners', first, ...path]);
  const others = rest.filter((id) => valueAt(job.record.document, ['corners', id, ...path]) !== from);
  const unset = (id: CornerId) =>
    [null, '', 0].includes(valueAt(job.record.document, ['corners', id, ...path]) as null | string | number);
  // Where every corner has a value of its own, an axle's difference is meant: no offer to level it.
  if (from === null || from === '' || others.length === 0 || (!isChoice && !others.some(unset))) return null;
  const copy = () =>
    job.actions.change(
      `${label} alike all round`,
      ...others.map((id): [string[], Json] => [['corners', id, ...path], from]),
    );
  return (
    <button
      type="button"
      onClick={copy}
      className="text-action label min-h-6 font-semibold underline underline-offset-4"
    >
      as 1 all round
    </button>
  );
}

interface Option {
  value: string;
  words: string;
}
const kindOptions = (job: Job): readonly Option[] =>
  kindsOn(footingOf(job.record.document.machine.class)).map((kind) => ({
    value: kind,
    words: referenceKinds[kind].title,
  }));
function ChoiceRow({ label, path, options }: { label: string; path: string[]; options: readonly Option[] }) {
  const job = useThisJob();
  return (
    <tr className="border-rule border-t">
      <th scope="row" className="py-1 pr-2 text-left font-medium">
        {label}
        <SameAllRound path={path} label={label} isChoice />
      </th>
      {cornersIn(job.record.document).map((id) => {
        const full = ['corners', id, ...path];
        return (
          <td key={id} className="px-2 py-1">
            <Select
              label={capital(pathWords(full))}
              look="w-full text-[13px] [font-stretch:72%]"
              value={valueAt(job.record.document, full) as string}
              options={options}
              onChange={(to) => job.actions.change(capital(pathWords(full)), [full, to])}
            />
          </td>
        );
      })}
    </tr>
  );
}

function DatumRow() {
  const job = useThisJob();
  return (
    <tr className="border-rule border-t">
      <th scope="row" className="py-1 pr-2 text-left font-medium">
        Collar datum
        <span className="label text-second block font-normal">where the caliper is held</span>
        <SameAllRound path={['collar', 'datum']} label="Collar datum" />
      </th>
      {cornersIn(job.record.document).map((id) => {
        const path = ['corners', id, 'collar', 'datum'];
        return (
          <td key={id} className="px-2 py-1 align-top">
            <TextField
              label={capital(pathWords(path))}
              hideLabel
              value={valueAt(job.record.document, path) as string}
              draftKey={pathKey(job.record.id, path)}
              maxLength={80}
              onCommit={(value) => job.actions.change(capital(pathWords(path)), [path, value])}
            />
          </td>
        );
      })}
    </tr>
  );
}
