import type { ReactNode } from 'react';
import type { Json } from '#core/job/types.ts';
import { cornerNames, cornersIn, type CornerId } from '#core/machine/body.ts';
import { pathKey, valueAt } from '../../features/job/draftKeys.ts';
import type { Job } from '../../features/job/useJob.ts';
import { capital, cornerNumbers } from '../../features/job/words.ts';
import type { QuantityName, Range } from '../../features/numbers/quantity.ts';
import { NumberField } from '../../ui/NumberField.tsx';

/** A table with one column for each corner of the machine. */
export function CornerTable({ job, caption, children }: { job: Job; caption: string; children: ReactNode }) {
  return (
    <div className="relative overflow-x-auto">
      <table className="mt-2 w-full min-w-[640px] table-fixed border-collapse">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr>
            <th className="w-[168px]" />
            {cornersIn(job.record.document).map((id) => (
              <th key={id} scope="col" className="px-2 pb-1 text-left font-semibold">
                <span className="figures text-second">{cornerNumbers[id]}</span> {capital(cornerNames[id])}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}

/** One line of such a table; a corner that has nothing here is left blank. */
export function CornerRow({
  job,
  label,
  help,
  children,
}: {
  job: Job;
  label: string;
  help: string;
  children: (id: CornerId) => ReactNode;
}) {
  return (
    <tr className="border-rule relative border-t">
      <th scope="row" className="py-1 pr-2 text-left font-medium">
        {label}
        <span className="label text-second block font-normal">{help}</span>
      </th>
      {cornersIn(job.record.document).map((id) => (
        <td key={id} className="px-2 py-1 align-top">
          {children(id)}
        </td>
      ))}
    </tr>
  );
}

interface PartFieldProps {
  job: Job;
  id: CornerId;
  /** Path within the corner of the object that is changed whole. */
  at: string[];
  /** Key in that object. */
  name: string;
  label: string;
  order: number;
  quantity: QuantityName;
  range: Range;
  /** Kept when emptied, where the object needs a number. */
  required?: boolean;
}

/** One number of an object in a corner's description, such as a lower mount: the object is replaced whole. */
export function PartField({ job, id, at, name, label, order, quantity, range, required }: PartFieldProps) {
  const path = ['corners', id, ...at];
  const whole = valueAt(job.record.document, path) as Record<string, Json>;
  const words = `${label}, ${cornerNames[id]}`;
  return (
    <NumberField
      label={words}
      draftKey={`${pathKey(job.record.id, path)}.${name}`}
      quantity={quantity}
      decimals={2}
      range={range}
      order={order}
      value={whole[name] as number | null}
      onCommit={(value) => {
        if (value !== null || !required) job.actions.change(words, [path, { ...whole, [name]: value }]);
      }}
    />
  );
}
