import { useThisJob } from '../../jobStore/jobContext.ts';
import { described, numberAt } from '../../forms/described.ts';
import type { ReactNode } from 'react';
import type { Json } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { pathKey, valueAt } from '../../jobStore/draftKeys.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import type { Range } from '../../forms/quantity.ts';
import { NumberField } from '../../forms/NumberField.tsx';

interface TableProps {
  caption: string;
  /** Nothing but short numbers in it: on a phone all corners stand side by side, under what the row is. */
  numbers?: boolean;
  children: ReactNode;
}

/** A table with one column for each corner of the machine. */
export function CornerTable({ caption, numbers = false, children }: TableProps) {
  const job = useThisJob();
  const ids = cornersIn(job.record.document);
  return (
    <div className="relative overflow-x-auto">
      <table
        data-numbers={numbers || undefined}
        className="group/corners mt-2 w-full min-w-[640px] table-fixed border-collapse narrow:data-numbers:block narrow:data-numbers:min-w-0"
      >
        <caption className="sr-only">{caption}</caption>
        <thead className="narrow:group-data-numbers/corners:block">
          <tr {...asGrid(ids)}>
            <th className="w-[168px] narrow:group-data-numbers/corners:hidden" />
            {ids.map((id) => (
              <th
                key={id}
                scope="col"
                className="px-2 pb-1 text-left font-semibold narrow:group-data-numbers/corners:px-1 narrow:group-data-numbers/corners:text-[13px]"
              >
                <span className="figures text-second">{cornerNumbers[id]}</span> {capital(cornerNames[id])}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="narrow:group-data-numbers/corners:block">{children}</tbody>
      </table>
    </div>
  );
}

/** A row that becomes a grid of its corners on a phone. */
function asGrid(ids: readonly CornerId[], className = '') {
  return {
    className: `${className} narrow:group-data-numbers/corners:grid`,
    style: { gridTemplateColumns: `repeat(${ids.length}, minmax(0, 1fr))` },
  };
}

interface RowProps {
  label: string;
  help: string;
  children: (id: CornerId) => ReactNode;
}

/** One line of such a table; a corner that has nothing here is left blank. */
export function CornerRow({ label, help, children }: RowProps) {
  const job = useThisJob();
  const ids = cornersIn(job.record.document);
  return (
    <tr {...asGrid(ids, 'border-rule relative border-t')}>
      <th
        scope="row"
        className="py-1 pr-2 text-left font-medium narrow:group-data-numbers/corners:col-span-full narrow:group-data-numbers/corners:pb-0"
      >
        {label}
        <span className="label text-second block font-normal narrow:group-data-numbers/corners:ml-2 narrow:group-data-numbers/corners:inline">
          {help}
        </span>
      </th>
      {ids.map((id) => (
        <td key={id} className="px-2 py-1 align-top narrow:group-data-numbers/corners:px-1">
          {children(id)}
        </td>
      ))}
    </tr>
  );
}

interface PartFieldProps {
  id: CornerId;
  /** Path within the corner of the object that is changed whole. */
  at: string[];
  /** Key in that object. */
  name: string;
  label: string;
  order: number;
  /** Where only some of what is possible would fit what stands beside it. */
  range?: Range;
  /** Left out where the figure beside it says it. */
  showUnit?: boolean;
}

/** One number of an object in a corner's description, such as a lower mount: the object is replaced whole. */
export function PartField({ id, at, name, label, order, range, showUnit = true }: PartFieldProps) {
  const job = useThisJob();
  const path = ['corners', id, ...at];
  const field = [...path, name];
  const { nullable } = numberAt(field);
  const whole = valueAt(job.record.document, path) as Record<string, Json>;
  const words = `${label}, ${cornerNames[id]}`;
  return (
    <NumberField
      label={words}
      draftKey={`${pathKey(job.record.id, path)}.${name}`}
      {...described(job.record.document, field)}
      {...(range ? { range } : {})}
      showUnit={showUnit}
      decimals={2}
      order={order}
      placeholder={nullable ? 'not known' : undefined}
      value={whole[name] as number | null}
      onCommit={(value) => {
        if (value !== null || nullable) job.actions.change(words, [path, { ...whole, [name]: value }]);
      }}
    />
  );
}
