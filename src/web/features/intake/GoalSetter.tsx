import { Select } from '../../ui/Select.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { rakeDegrees, seesTyres, targetsFor, type Goal } from '#core/planning/ownersGoals.ts';
import type { Json } from '#core/document/types.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { NumberField } from '../../forms/NumberField.tsx';

type Kind = Goal['kind'];

interface Words {
  title: string;
  fields: readonly { name: string; label: string; min: number; max: number }[];
}

const drop = { min: -300, max: 300 };
const height = { min: 0, max: 3000 };
const tyre = { min: 200, max: 1500 };

const goals: Record<Kind, Words> = {
  'from-today': {
    title: 'up or down from today',
    fields: [
      { name: 'frontMm', label: 'Front, down is −', ...drop },
      { name: 'rearMm', label: 'Rear, down is −', ...drop },
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
    <Panel title="Targets from what is wanted" words="a drop or a lift, level, a rake, other tyres">
      <Goals />
    </Panel>
  );
}

function Goals() {
  const job = useThisJob();
  const [kind, setKind] = useState<Kind>('from-today');
  const [values, setValues] = useState<Record<string, number | null>>({});
  const { document } = job.record;
  const offered = (Object.keys(goals) as Kind[]).filter((one) => one !== 'tyres' || seesTyres(document));
  const { fields } = goals[kind];
  const given = fields.every(({ name }) => (values[name] ?? null) !== null);
  const nowMm = Object.fromEntries((job.answer?.corners ?? []).map((corner) => [corner.id, corner.nowMm]));
  const targets = given ? targetsFor({ kind, ...values } as Goal, document, nowMm) : {};
  const changes = cornersIn(document).flatMap((id): [string[], Json][] => {
    const mm = targets[id];
    return mm === undefined || mm === document.corners[id].targetMm
      ? []
      : [[['corners', id, 'targetMm'], mm]];
  });
  const known = Object.keys(targets).length > 0;
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
      {fields.map(({ name, label, min, max }, k) => (
        <div key={kind + name} className="w-36">
          <NumberField
            label={label}
            showLabel
            order={500 + k}
            quantity="length"
            decimals={1}
            range={{ min, max }}
            draftKey={`${job.record.id}|goal.${kind}.${name}`}
            value={values[name] ?? null}
            onCommit={(mm) => setValues((before) => ({ ...before, [name]: mm }))}
          />
        </div>
      ))}
      <Button
        disabled={changes.length === 0}
        onClick={() => job.actions.change(`Targets: ${goals[kind].title}`, ...changes)}
      >
        Set the targets
      </Button>
      <p className="label text-second basis-full">
        {kind === 'rake' && typeof values.rakeMm === 'number'
          ? `${rakeDegrees(document, values.rakeMm).toFixed(2)}° nose down over this wheelbase.`
          : given && !known
            ? 'It needs a reading at each corner first.'
            : given && changes.length === 0
              ? 'The targets stand like that.'
              : ''}
      </p>
    </div>
  );
}
