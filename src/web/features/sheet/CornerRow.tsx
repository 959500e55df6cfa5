import { useThisJob } from '../../jobStore/jobContext.ts';
import { BothSides, useSides } from '../../jobStore/bothSides.tsx';
import { described, numberAt } from '../../forms/described.ts';
import type { ReactNode } from 'react';
import type { Json } from '#core/document/types.ts';
import { gainGroups, type GainGroup } from '#core/estimate/corner.ts';
import { axleOf, cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { pathKey, valueAt } from '../../jobStore/draftKeys.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import type { Range } from '../../forms/quantity.ts';
import { Term } from '../../ui/Term.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { useCells } from './alike.ts';
import { AxleHeads } from './AxleHeads.tsx';

interface TableProps {
  caption: string;
  /** Nothing but short numbers in it: on a phone all corners stand side by side, under what the row is. */
  numbers?: boolean;
  /** Sides that are alike can be shown each by itself. */
  axles?: boolean;
  children: ReactNode;
}

/** A table with one column for each corner of the machine. */
export function CornerTable({ caption, numbers = false, axles = false, children }: TableProps) {
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
          {axles && <AxleHeads />}
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

/** What a cell of a row speaks for. */
export interface Side {
  /** "front left", or "front" where it speaks for both sides. */
  name: string;
  /** Replaces values of the description, across from here too where it speaks for both. */
  change: ReturnType<typeof useThisJob>['actions']['change'];
}

interface RowProps {
  label: string;
  help: ReactNode;
  /** Where in a corner stands what is asked, as "collar.minMm": the same on both sides of an axle, it is asked once. */
  paths?: readonly string[];
  /** What is in it sees to both sides by itself. */
  own?: boolean;
  children: (id: CornerId, side: Side) => ReactNode;
}

/** One line of such a table; a corner that has nothing here is left blank. */
export function CornerRow({ label, help, paths, own = false, children }: RowProps) {
  const job = useThisJob();
  const { document } = job.record;
  const { change } = job.actions;
  const cells = useCells(job.record, paths);
  return (
    <tr {...asGrid(cornersIn(document), 'border-rule relative border-t')}>
      <RowHead label={label} help={help} />
      {cells.map(({ id, both }) => (
        <td
          key={id}
          colSpan={both ? 2 : 1}
          className={`px-2 py-1 align-top narrow:group-data-numbers/corners:px-1 ${both ? 'narrow:col-span-2' : ''}`}
        >
          {both && own && children(id, { name: axleOf(id), change })}
          {both && !own && (
            <BothSides id={id}>
              <Cell id={id}>{children}</Cell>
            </BothSides>
          )}
          {!both && children(id, { name: cornerNames[id], change })}
        </td>
      ))}
    </tr>
  );
}

function RowHead({ label, help }: Pick<RowProps, 'label' | 'help'>) {
  return (
    <th
      scope="row"
      className="py-1 pr-2 text-left font-medium narrow:group-data-numbers/corners:col-span-full narrow:group-data-numbers/corners:pb-0"
    >
      <Term>{label}</Term>
      <span className="label text-second block font-normal narrow:group-data-numbers/corners:ml-2 narrow:group-data-numbers/corners:inline">
        {help}
      </span>
    </th>
  );
}

/** One line of such a table that is the same on both sides of an axle by its nature. */
export function GroupRow({
  label,
  help,
  children,
}: Pick<RowProps, 'label' | 'help'> & { children: (group: GainGroup) => ReactNode }) {
  const { document } = useThisJob().record;
  return (
    <tr {...asGrid(cornersIn(document), 'border-rule relative border-t')}>
      <RowHead label={label} help={help} />
      {gainGroups(document).map((group) => (
        <td
          key={group.id}
          colSpan={twinOf(group.id) ? 2 : 1}
          className={`px-2 py-1 align-top narrow:px-1 ${twinOf(group.id) ? 'narrow:col-span-2' : ''}`}
        >
          {children(group)}
        </td>
      ))}
    </tr>
  );
}

/** Says what it changes through the job around it, which speaks for both sides. */
function Cell({ id, children }: { id: CornerId; children: RowProps['children'] }) {
  const { change } = useThisJob().actions;
  return children(id, { name: useSides().named(id), change });
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
  const { named } = useSides();
  const words = `${label}, ${named(id)}`;
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
