import { Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Json } from '#core/document/types.ts';
import type { QuantityName, Range } from './quantity.ts';
import { useNewRows } from './newRows.ts';
import { Button } from '../ui/Button.tsx';
import { NumberField } from './NumberField.tsx';

type Pair = readonly [number, number];

interface Column {
  /** Heads the column; with the row's number it names each field. */
  label: string;
  quantity: QuantityName;
  range: Range;
}

interface Props {
  columns: readonly [Column, Column];
  rows: readonly Pair[];
  /** How many rows at the top go without saying: they are shown, not asked. */
  fixed?: number;
  least: number;
  most: number;
  draftKey: string;
  /** What a row is called: "pair", "row". */
  row: string;
  put: (rows: [number, number][]) => void;
}

/**
 * A short table of two numbers a row: measured pairs of a ratio, squeeze and force of a stop. A row that was added counts once
 * both its numbers are typed, and goes where its first puts it.
 */
export function PairTable({ columns, rows, fixed = 0, least, most, draftKey, row, put }: Props) {
  const set = (k: number, column: number, value: number) =>
    put(
      rows.map(([a, b], j): [number, number] => (j !== k ? [a, b] : column === 0 ? [value, b] : [a, value])),
    );
  const fresh = useNewRows(`${draftKey}|rows`, ['0', '1'], (fields) =>
    put([...rows.map(copied), pairOf(fields)].sort(([a], [b]) => a - b)),
  );
  // Fewer rows than make a table: the next stands open.
  const open = fresh.rows.length === 0 && rows.length < least ? [{ id: 'first', fields: {} }] : fresh.rows;
  const setOpen = (id: string, column: number, value: number | null) =>
    id === 'first' ? fresh.add({ [column]: value }) : fresh.set(id, String(column), value);
  const count = rows.length + open.length;
  const remove = (k: number) => put(rows.filter((_, j) => j !== k).map(copied));
  const field = (k: number, column: 0 | 1) => {
    const { label, quantity, range } = columns[column];
    return {
      label: `${label}, ${row} ${k + 1}`,
      order: 2 * k + column,
      quantity,
      decimals: 1,
      range,
    };
  };
  return (
    <>
      <table className="mt-3 w-full">
        <thead className="label text-second text-left">
          <tr>
            <th className="font-normal">{columns[0].label.toLowerCase()}</th>
            <th className="px-3 font-normal">{columns[1].label.toLowerCase()}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((pair, k) => (
            <Row key={k} remove={rows.length > least ? () => remove(k) : null} name={`${row} ${k + 1}`}>
              {(column) =>
                k < fixed ? (
                  <span className="block py-2 font-semibold">{pair[column]}</span>
                ) : (
                  <NumberField
                    {...field(k, column)}
                    draftKey={`${draftKey}.${k}.${column}`}
                    value={pair[column]}
                    onCommit={(value) => value !== null && set(k, column, value)}
                  />
                )
              }
            </Row>
          ))}
          {open.map(({ id, fields }, j) => (
            <Row
              // One is open at a time: as it is begun, and once it counts, the same field keeps the cursor.
              key={rows.length + j}
              remove={count > least ? () => fresh.remove(id) : null}
              name={`${row} ${rows.length + j + 1}`}
            >
              {(column) => (
                <NumberField
                  {...field(rows.length + j, column)}
                  draftKey={`${draftKey}.${id}.${column}`}
                  value={numberOf(fields, column)}
                  onCommit={(value) => setOpen(id, column, value)}
                />
              )}
            </Row>
          ))}
        </tbody>
      </table>
      {fresh.rows.length > 0 && rows.length >= least && (
        <p className="text-tight label mt-5">A {row} counts once both its numbers are typed.</p>
      )}
      <Button className="mt-3" onClick={() => fresh.add({})} disabled={count >= most || count > rows.length}>
        <Plus aria-hidden size={15} className="mr-1 inline" />
        Another {row}
      </Button>
    </>
  );
}

const copied = ([a, b]: Pair): [number, number] => [a, b];
const numberOf = (fields: Readonly<Record<string, Json>>, column: 0 | 1): number | null => {
  const value = fields[String(column)];
  return typeof value === 'number' ? value : null;
};
const pairOf = (fields: Readonly<Record<string, Json>>): [number, number] => [
  numberOf(fields, 0) ?? 0,
  numberOf(fields, 1) ?? 0,
];

interface RowProps {
  name: string;
  /** Null where no row can be spared. */
  remove: (() => void) | null;
  children: (column: 0 | 1) => ReactNode;
}

function Row({ name, remove, children }: RowProps) {
  return (
    <tr className="relative">
      <td>{children(0)}</td>
      <td className="px-3">{children(1)}</td>
      <td className="w-9">
        {remove && (
          <button
            type="button"
            aria-label={`Remove ${name}`}
            onClick={remove}
            className="text-second inline-flex size-9 items-center justify-center"
          >
            <X aria-hidden size={16} />
          </button>
        )}
      </td>
    </tr>
  );
}
