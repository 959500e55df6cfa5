import { Plus, X } from 'lucide-react';
import type { QuantityName, Range } from '../features/numbers/quantity.ts';
import { Button } from './Button.tsx';
import { NumberField } from './NumberField.tsx';

export type Pair = readonly [number, number];

interface Column {
  /** Heads the column; with the row's number it names each field. */
  label: string;
  quantity: QuantityName;
  range: Range;
}

interface Props {
  columns: readonly [Column, Column];
  rows: readonly Pair[];
  least: number;
  most: number;
  draftKey: string;
  /** What a row is called: "pair", "row". */
  row: string;
  put: (rows: Pair[]) => void;
}

/** A short table of two numbers a row: measured pairs of a ratio, squeeze and force of a stop. */
export function PairTable({ columns, rows, least, most, draftKey, row, put }: Props) {
  const set = (k: number, column: number, value: number) =>
    put(rows.map(([a, b], j): Pair => (j !== k ? [a, b] : column === 0 ? [value, b] : [a, value])));
  const add = () => {
    const [[a0, b0] = [0, 0], [a1, b1] = [0, 0]] = rows.slice(-2);
    put([...rows, [a1 + (a1 - a0) / 2, b1 + (b1 - b0) / 2]]);
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
            <tr key={k} className="relative">
              {columns.map(({ label, quantity, range }, column) => (
                <td key={label} className={column === 1 ? 'px-3' : ''}>
                  <NumberField
                    label={`${label}, ${row} ${k + 1}`}
                    order={2 * k + column}
                    draftKey={`${draftKey}.${k}.${column}`}
                    quantity={quantity}
                    decimals={1}
                    range={range}
                    value={pair[column] ?? 0}
                    onCommit={(value) => value !== null && set(k, column, value)}
                  />
                </td>
              ))}
              <td className="w-9">
                {rows.length > least && (
                  <button
                    type="button"
                    aria-label={`Remove ${row} ${k + 1}`}
                    onClick={() => put(rows.filter((_, j) => j !== k))}
                    className="text-second inline-flex size-9 items-center justify-center"
                  >
                    <X aria-hidden size={16} />
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button className="mt-3" onClick={add} disabled={rows.length >= most}>
        <Plus aria-hidden size={15} className="mr-1 inline" />
        Another {row}
      </Button>
    </>
  );
}
