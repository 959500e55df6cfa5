import { cellFaultWords } from '#words/rackFaults.ts';
import { useSay } from '../../ui/settings.ts';
import { SizeLength } from '../../ui/Figure.tsx';
import { Rate } from '../../ui/Rate.tsx';
import { Select } from '../../ui/Select.tsx';
import Papa from 'papaparse';
import { useState } from 'react';
import {
  matchColumns,
  rackColumns,
  readRack,
  unitsOf,
  type ColumnChoice,
  type ImportedRack,
  type RackColumn,
} from '#core/rack/csv.ts';
import { ApiProblem } from '../../api/client.ts';
import { useImportRack } from '../../api/rack.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';

interface Sheet {
  file: string;
  headings: string[];
  rows: string[][];
}

const SHOWN = 5;
const FAULTS_SHOWN = 12;

/** Takes a CSV in: columns matched, units chosen, the first rows as they will be, every fault by row; all or nothing. */
export function ImportDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [choices, setChoices] = useState<ColumnChoice[]>([]);
  const [fault, setFault] = useState<string | null>(null);
  const send = useImportRack();
  const read = sheet && readRack(sheet.headings, sheet.rows, choices);
  const close = () => {
    setSheet(null);
    setFault(null);
    send.reset();
    onClose();
  };
  const take = async (file: File) => {
    const parsed = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ''), {
      skipEmptyLines: 'greedy',
    });
    const [headings = [], ...rows] = parsed.data;
    if (headings.length === 0 || rows.length === 0) {
      setFault(`${file.name} has no rows under a heading line: the first line names the columns.`);
      return;
    }
    setFault(null);
    setSheet({ file: file.name, headings, rows });
    setChoices(matchColumns(headings));
  };
  const keep = ({ springs }: ImportedRack) =>
    send.mutate(
      { springs: springs.map((spring) => ({ ...spring, id: spring.id ?? crypto.randomUUID() })) },
      { onSuccess: close },
    );
  return (
    <Dialog
      open={open}
      onClose={close}
      title="Import springs from a CSV"
      description="The first line names the columns. Nothing is imported until every row can be read."
    >
      <input
        type="file"
        accept=".csv,text/csv,text/plain"
        aria-label="CSV file"
        className="block w-full"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void take(file);
        }}
      />
      {fault && (
        <p role="alert" className="text-short mt-3">
          {fault}
        </p>
      )}
      {sheet && read && (
        <>
          <Columns sheet={sheet} choices={choices} choose={setChoices} />
          <Preview read={read} />
          {send.isError && (
            <p role="alert" className="text-short mt-3">
              {send.error instanceof ApiProblem
                ? refusal(send.error)
                : 'Nothing was imported: the server cannot be reached. Try again.'}
            </p>
          )}
          <Button
            look="main"
            className="mt-4"
            disabled={read.faults.length > 0 || read.springs.length === 0 || send.isPending}
            onClick={() => keep(read)}
          >
            Import {read.springs.length === 1 ? 'one spring' : `${read.springs.length} springs`}
          </Button>
        </>
      )}
    </Dialog>
  );
}

function refusal({ problem }: ApiProblem): string {
  const [first] = problem.errors ?? [];
  const row = /^\/springs\/(\d+)\/?(.*)$/.exec(first?.pointer ?? '');
  if (!first || !row) return `Nothing was imported. ${problem.title}`;
  return `Nothing was imported. Spring ${Number(row[1]) + 1}${row[2] ? `, ${row[2]}` : ''}: ${first.detail}.`;
}

interface ColumnsProps {
  sheet: Sheet;
  choices: ColumnChoice[];
  choose: (choices: ColumnChoice[]) => void;
}

function Columns({ sheet, choices, choose }: ColumnsProps) {
  const set = (i: number, part: Partial<ColumnChoice>) =>
    choose(
      choices.map((one, k) => {
        if (k === i) return { ...one, ...part };
        // A column is what one heading says.
        return part.column && one.column === part.column ? { column: null, unit: null } : one;
      }),
    );
  return (
    <table className="mt-4 w-full">
      <thead className="label text-second text-left">
        <tr>
          <th className="font-normal">heading</th>
          <th className="px-3 font-normal">first row</th>
          <th className="font-normal">is the</th>
          <th className="pl-3 font-normal">in</th>
        </tr>
      </thead>
      <tbody>
        {sheet.headings.map((heading, i) => {
          const choice = choices[i] ?? { column: null, unit: null };
          const units = unitsOf(choice.column);
          return (
            <tr key={i}>
              <td>{heading || `column ${i + 1}`}</td>
              <td className="text-second max-w-32 truncate px-3">{sheet.rows[0]?.[i]}</td>
              <td>
                <Select
                  label={`${heading} is the`}
                  look="w-full"
                  value={choice.column ?? ''}
                  options={[
                    { value: '', words: 'left out' },
                    ...(Object.keys(rackColumns) as RackColumn[]).map((column) => ({
                      value: column,
                      words: rackColumns[column].title,
                    })),
                  ]}
                  onChange={(to) => {
                    const column = (to || null) as RackColumn | null;
                    set(i, { column, unit: unitsOf(column)[0] ?? null });
                  }}
                />
              </td>
              <td className="pl-3">
                {units.length > 0 && (
                  <Select
                    label={`Unit of ${heading}`}
                    look=""
                    value={choice.unit ?? ''}
                    options={units.map((unit) => ({ value: unit, words: unit }))}
                    onChange={(unit) => set(i, { unit })}
                  />
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const Size = ({ mm }: { mm: number | null }) => (mm === null ? '–' : <SizeLength mm={mm} />);

function Preview({ read }: { read: ImportedRack }) {
  const say = useSay(1);
  const { springs, faults } = read;
  return (
    <>
      <h3 className="mt-4 font-semibold">As they will stand</h3>
      <table className="w-full">
        <tbody>
          {springs.slice(0, SHOWN).map((spring, i) => (
            <tr key={i} className="border-rule border-t">
              <td className="truncate pr-3">{spring.name}</td>
              <td className="figures pr-3">
                {spring.rows ? (
                  'measured'
                ) : spring.rateNPerMm === null ? (
                  '–'
                ) : (
                  <Rate nPerMm={spring.rateNPerMm} />
                )}
              </td>
              <td className="figures pr-3">
                <Size mm={spring.freeLengthMm} /> free
              </td>
              <td className="figures pr-3">
                <Size mm={spring.solidLengthMm} /> solid
              </td>
              <td className="figures">{spring.stock} in stock</td>
            </tr>
          ))}
        </tbody>
      </table>
      {springs.length > SHOWN && <p className="label text-second">and {springs.length - SHOWN} more</p>}
      {faults.length > 0 && (
        <div role="alert" className="text-short mt-3">
          <p className="font-semibold">
            {faults.length === 1 ? 'One row cannot be read' : `${faults.length} faults`}: nothing is imported
            yet.
          </p>
          <ul>
            {faults.slice(0, FAULTS_SHOWN).map(({ row, heading, fault }, i) => (
              <li key={i}>
                Row {row}
                {heading && `, ${heading}`}: {cellFaultWords(fault, say)}.
              </li>
            ))}
            {faults.length > FAULTS_SHOWN && <li>and {faults.length - FAULTS_SHOWN} more</li>}
          </ul>
        </div>
      )}
    </>
  );
}
