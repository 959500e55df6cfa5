import { useThisJob } from '../../jobStore/jobContext.ts';
import { Plus, X } from 'lucide-react';
import type { LoadDocument } from '#core/document/types.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { Button } from '../../ui/Button.tsx';
import { LoadCarried } from './LoadCarried.tsx';

/** What was read in a case is kept by its place: neither it nor one before it may go. */
function wasReadIn({ facts }: Job, k: number): boolean {
  return facts.some(({ fact }) =>
    fact.kind === 'aboard'
      ? fact.loadCase >= k
      : fact.kind === 'pad' && Number(/^c(\d)-/.exec(fact.slot)?.[1] ?? -1) >= k,
  );
}

/** Heavy things and when they are aboard. The first case is the one measured in, the second the one the targets mean. */
export function LoadsTable() {
  const job = useThisJob();
  const { loads, cases } = job.record.document;
  const put = (label: string, next: LoadDocument[]) => job.actions.change(label, [['loads'], next]);
  const change = (i: number, label: string, part: Partial<LoadDocument>) =>
    put(
      label,
      loads.map((load, k) => (k === i ? { ...load, ...part } : load)),
    );
  const add = () => {
    const blank = { name: `load ${loads.length + 1}`, kg: 0, xMm: 0, yMm: 0, aboard: cases.map(() => false) };
    put('Load added', [...loads, blank]);
  };
  const addCase = () =>
    job.actions.change('Load case added', [['cases'], [...cases, `case ${cases.length + 1}`]]);
  return (
    <section aria-label="Loads" className="mt-5">
      <h3 className="font-semibold">Loads and when they are aboard</h3>
      {loads.length === 0 && (
        <p className="label text-second">
          None named: the targets are taken to be for the machine as it stands on the floor.
        </p>
      )}
      {loads.length > 0 && (
        <div className="relative overflow-x-auto">
          <table className="mt-1 w-full min-w-[720px] border-collapse">
            <thead>
              <tr className="label text-second text-left">
                <th className="font-normal">What</th>
                <th className="px-2 font-normal">Weighs</th>
                <th className="px-2 font-normal">Ahead of the middle</th>
                <th className="px-2 font-normal">Left of the middle</th>
                {cases.map((_, k) => (
                  <CaseHead key={k} at={k} />
                ))}
                <th />
              </tr>
            </thead>
            <tbody>
              {loads.map((load, i) => (
                <LoadRow
                  key={i}
                  load={load}
                  index={i}
                  change={change}
                  remove={() =>
                    put(
                      'Load removed',
                      loads.filter((_, k) => k !== i),
                    )
                  }
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {loads.map((load, i) => (
        <div key={i} className="mt-1">
          <LoadCarried load={i} name={load.name} />
        </div>
      ))}
      <div className="mt-2 flex gap-3">
        {loads.length < limits.loads && (
          <Button onClick={add}>
            <Plus aria-hidden size={15} className="mr-1 inline" />
            Add a load
          </Button>
        )}
        {loads.length > 0 && cases.length < limits.cases && (
          <Button onClick={addCase}>Add a load case</Button>
        )}
      </div>
    </section>
  );
}

/** Heads the column of a load case: what it is for, its name, and its way out where nothing was weighed in it. */
function CaseHead({ at }: { at: number }) {
  const job = useThisJob();
  const { cases, loads } = job.record.document;
  const name = cases[at] ?? '';
  const rename = (to: string) =>
    job.actions.change('Load case named', [['cases'], cases.map((one, c) => (c === at ? to : one))]);
  const remove = () =>
    job.actions.change(
      'Load case removed',
      [['cases'], cases.filter((_, c) => c !== at)],
      [['loads'], loads.map((load) => ({ ...load, aboard: load.aboard.filter((_, c) => c !== at) }))],
    );
  return (
    <th className="min-w-28 px-2 align-bottom font-normal">
      {at < 2 && <span className="block">{at === 0 ? 'measured in' : 'targets are for'}</span>}
      <TextField
        label={`Name of load case ${at + 1}`}
        hideLabel
        required
        value={name}
        draftKey={pathKey(job.record.id, ['cases', String(at)])}
        maxLength={limits.nameLength}
        onCommit={rename}
      />
      {at >= 2 && !wasReadIn(job, at) && (
        <button
          type="button"
          onClick={remove}
          className="text-action label min-h-6 font-semibold underline underline-offset-4"
          aria-label={`Remove load case ${name}`}
        >
          remove
        </button>
      )}
    </th>
  );
}

interface LoadRowProps {
  load: LoadDocument;
  index: number;
  change: (i: number, label: string, part: Partial<LoadDocument>) => void;
  remove: () => void;
}

function LoadRow({ load, index, change, remove }: LoadRowProps) {
  const job = useThisJob();
  const { cases } = job.record.document;
  const what = load.name || `load ${index + 1}`;
  const key = (field: string) => pathKey(job.record.id, ['loads', String(index), field]);
  const number = (field: 'kg' | 'xMm' | 'yMm', label: string, order: number) => (
    <NumberField
      label={`${label}, ${what}`}
      draftKey={key(field)}
      quantity={field === 'kg' ? 'mass' : 'length'}
      decimals={1}
      range={field === 'kg' ? limits.wheelKg : limits.placeMm}
      order={1000 + 10 * index + order}
      value={load[field]}
      onCommit={(value) => change(index, `${label}, ${what}`, { [field]: value ?? 0 })}
    />
  );
  return (
    <tr className="border-rule relative border-t align-bottom">
      <td className="min-w-32 py-1">
        <TextField
          label={`What load ${index + 1} is`}
          hideLabel
          value={load.name}
          draftKey={key('name')}
          maxLength={limits.nameLength}
          onCommit={(name) => change(index, 'Load named', { name })}
        />
      </td>
      <td className="min-w-28 px-2 py-1">{number('kg', 'Weight', 1)}</td>
      <td className="min-w-28 px-2 py-1">{number('xMm', 'Place ahead', 2)}</td>
      <td className="min-w-28 px-2 py-1">{number('yMm', 'Place left', 3)}</td>
      {cases.map((name, k) => (
        <td key={k} className="px-2 py-1 text-center">
          <label className="inline-flex min-h-9 min-w-9 items-center justify-center">
            <span className="sr-only">
              {what} aboard {name}
            </span>
            <input
              type="checkbox"
              className="accent-action size-5"
              checked={load.aboard[k] ?? false}
              onChange={(event) =>
                change(index, `${what} aboard`, {
                  aboard: cases.map((_, c) => (c === k ? event.target.checked : (load.aboard[c] ?? false))),
                })
              }
            />
          </label>
        </td>
      ))}
      <td className="py-1 text-right">
        <button
          type="button"
          onClick={remove}
          aria-label={`Remove ${what}`}
          className="text-second inline-flex size-9 items-center justify-center"
        >
          <X aria-hidden size={16} />
        </button>
      </td>
    </tr>
  );
}
