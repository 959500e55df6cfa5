import { Select } from '../../ui/Select.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { useState } from 'react';
import { rakeDegrees, seesTyres, targetsFor, type Goal } from '#core/planning/ownersGoals.ts';
import type { Json } from '#core/document/types.ts';
import { cornerHeight } from '#core/figures/cornerHeight.ts';
import type { Axle, CornerId } from '#core/kinds/corners.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { limits } from '#contract/limits.ts';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { NumberField } from '../../forms/NumberField.tsx';

type Kind = Goal['kind'];

interface Words {
  title: string;
  /** Said of one end, which is chosen beside it. */
  ofEnd?: boolean;
  fields: readonly { name: string; label: string; min: number; max: number; optional?: boolean }[];
}

const drop = { min: -300, max: 300 };
const height = { min: 0, max: 3000 };
const tyre = { min: 200, max: 1500 };

/** Thread, or whatever an adjuster has, that is still to be used. */
const left = { name: 'leftMm', label: 'Thread left', min: 0, max: 300, optional: true };

const goals: Record<Kind, Words> = {
  'from-today': {
    title: 'up or down from today',
    fields: [
      { name: 'frontMm', label: 'Front, down is −', ...drop },
      { name: 'rearMm', label: 'Rear, down is −', ...drop },
    ],
  },
  'from-standard': {
    title: 'down from the standard height',
    fields: [
      { name: 'frontMm', label: 'Front, standard', ...height },
      { name: 'frontDownMm', label: 'Front, down by', ...drop },
      { name: 'rearMm', label: 'Rear, standard', ...height },
      { name: 'rearDownMm', label: 'Rear, down by', ...drop },
    ],
  },
  specified: {
    title: 'as a sheet says, ± its tolerance',
    fields: [
      { name: 'frontMm', label: 'Front', ...height },
      { name: 'rearMm', label: 'Rear', ...height },
      { name: 'toleranceMm', label: 'Tolerance ±', ...limits.toleranceMm },
    ],
  },
  level: { title: 'level, as high as now', fields: [] },
  equal: { title: 'equal gaps all round', fields: [{ name: 'heightMm', label: 'Every gap', ...height }] },
  rake: {
    title: 'a front height and a rake',
    fields: [
      { name: 'frontMm', label: 'Front', ...height },
      { name: 'rakeMm', label: 'Rear higher by', ...drop },
    ],
  },
  match: {
    title: 'one end to match the other',
    ofEnd: true,
    fields: [{ name: 'moreMm', label: 'Higher by', ...drop }],
  },
  stays: { title: 'one end as it now stands', ofEnd: true, fields: [] },
  highest: { title: 'one end as high as it goes', ofEnd: true, fields: [left] },
  lowest: { title: 'one end as low as it goes', ofEnd: true, fields: [left] },
  tyres: {
    title: 'other tyres, by measured diameter',
    fields: [
      { name: 'fromMm', label: 'Diameter now', ...tyre },
      { name: 'toMm', label: 'Diameter then', ...tyre },
    ],
  },
};

/** Targets in the owner's own terms: worked out, and written into the fields below, where they may be changed. */
export function GoalSetter() {
  const { document } = useThisJob().record;
  if (footingOf(document.machine.class) !== 'wheels') return null;
  return (
    <Panel
      title="Targets from what is wanted"
      words="a drop, level, a rake, match the other end, as far as it goes"
    >
      <Goals />
    </Panel>
  );
}

function EndChoice({ axle, onChange }: { axle: Axle; onChange: (axle: Axle) => void }) {
  return (
    <label>
      <span className="label text-second block">Which end</span>
      <Select
        label="Which end"
        look="pr-2"
        value={axle}
        options={[
          { value: 'front', words: 'front' },
          { value: 'rear', words: 'rear' },
        ]}
        onChange={(to) => onChange(to === 'front' ? 'front' : 'rear')}
      />
    </label>
  );
}

/** Thread left now, as the baseline would have had it. */
function leftAsFound(
  { answer }: Job,
  { kind, leftMm }: { kind: Kind; leftMm: number | null },
  ids: readonly CornerId[],
): [string[], Json][] {
  if (!answer || leftMm === null || (kind !== 'highest' && kind !== 'lowest')) return [];
  return ids.map((id) => {
    const gone = answer.now.seatsBy[answer.machine.corners.indexOf(id)] ?? 0;
    return kind === 'highest'
      ? [['corners', id, 'threadUpMm'], leftMm + gone]
      : [['corners', id, 'threadDownMm'], leftMm - gone];
  });
}

/** Heights as the tape read them last, and how far each adjuster still goes. */
function standing({
  answer,
}: Job): Parameters<typeof targetsFor> extends [unknown, unknown, ...infer R] ? R : never {
  const corners = answer?.corners ?? [];
  return [
    Object.fromEntries(
      corners.map(({ id, nowMm }) => [id, (answer && cornerHeight(answer, id).measured?.value) ?? nowMm]),
    ),
    Object.fromEntries(
      corners.map(({ id, room, gain }) => [id, { upMm: room.up, downMm: -room.down, gain }]),
    ),
  ];
}

function unknownWords(kind: Kind): string {
  return kind === 'highest' || kind === 'lowest'
    ? 'Read it first, and say what thread is left: here, or by the collar and its limits.'
    : 'It needs a reading at each corner first.';
}

function Goals() {
  const job = useThisJob();
  const [kind, setKind] = useState<Kind>('from-today');
  const [axle, setAxle] = useState<Axle>('rear');
  const [values, setValues] = useState<Record<string, number | null>>({});
  const { document } = job.record;
  const offered = (Object.keys(goals) as Kind[]).filter((one) => one !== 'tyres' || seesTyres(document));
  const { fields, ofEnd = false } = goals[kind];
  const given = fields.every(({ name, optional }) => optional || (values[name] ?? null) !== null);
  const all = Object.fromEntries(fields.map(({ name }) => [name, values[name] ?? null]));
  const targets = given ? targetsFor({ kind, axle, ...all } as Goal, document, ...standing(job)) : {};
  const far = kind === 'highest' || kind === 'lowest';
  const changes = cornersIn(document).flatMap((id): [string[], Json][] => {
    const mm = targets[id];
    const { targetMm, asFar } = document.corners[id];
    if (mm === undefined || (mm === targetMm && far === (asFar?.targetMm === mm))) return [];
    // As far as it goes is worked out anew with every reading.
    return [
      [['corners', id, 'targetMm'], mm],
      [['corners', id, 'asFar'], far ? { way: kind, targetMm: mm } : null],
    ];
  });
  const { toleranceMm = null } = values;
  if (kind === 'specified' && toleranceMm !== null && toleranceMm !== document.toleranceMm)
    changes.push([['toleranceMm'], toleranceMm]);
  const known = Object.keys(targets).length > 0;
  // What is left of the thread is kept: no later plan goes further either.
  const found = leftAsFound(job, { kind, leftMm: values.leftMm ?? null }, Object.keys(targets) as CornerId[]);
  return (
    <div data-fields className="relative flex flex-wrap items-end gap-x-4 gap-y-2">
      <label>
        <span className="label text-second block">What is wanted</span>
        <Select
          look="pr-2"
          value={kind}
          options={offered.map((one) => ({ value: one, words: goals[one].title }))}
          onChange={(to) => {
            setKind(to as Kind);
            setValues({});
          }}
        />
      </label>
      {ofEnd && <EndChoice axle={axle} onChange={setAxle} />}
      {fields.map(({ name, label, min, max, optional }, k) => (
        <div key={kind + name} className="w-36">
          <NumberField
            label={label}
            showLabel
            order={500 + k}
            quantity="length"
            decimals={1}
            range={{ min, max }}
            placeholder={optional ? 'by its limits' : undefined}
            draftKey={`${job.record.id}|goal.${kind}.${name}`}
            value={values[name] ?? null}
            onCommit={(mm) => setValues((before) => ({ ...before, [name]: mm }))}
          />
        </div>
      ))}
      <Button
        disabled={changes.length === 0}
        onClick={() => job.actions.change(`Targets: ${goals[kind].title}`, ...changes, ...found)}
      >
        Set the targets
      </Button>
      <p className="label text-second basis-full">
        {kind === 'rake' && typeof values.rakeMm === 'number'
          ? `${rakeDegrees(document, values.rakeMm).toFixed(2)}° nose down over this wheelbase.`
          : given && !known
            ? unknownWords(kind)
            : given && changes.length === 0
              ? 'The targets stand like that.'
              : ''}
      </p>
    </div>
  );
}
