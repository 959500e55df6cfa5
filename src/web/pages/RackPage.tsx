import { download } from '../ui/download.ts';
import { Select } from '../ui/Select.tsx';
import { Download, Plus, Search, Upload } from 'lucide-react';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { writeRack } from '#core/rack/csv.ts';
import { blankRackValues, type RackSpring } from '#core/rack/spring.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { limits } from '#contract/limits.ts';
import { useRack } from '../api/rack.ts';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { useLengthStyle } from '../ui/settings.ts';
import { useUndoKeys } from '../jobStore/useUndoKeys.ts';
import { Button } from '../ui/Button.tsx';
import { FindBox } from '../ui/FindBox.tsx';
import { NumberField } from '../forms/NumberField.tsx';
import { ImportDialog } from '../features/rack/ImportDialog.tsx';
import { numberIn, type Asked } from '../features/rack/filters.ts';
import { RackTable } from '../features/rack/RackTable.tsx';
import { useFilters } from '../features/rack/useFilters.ts';
import { useRackEdits, type RackEdits } from '../features/rack/useRackEdits.ts';

/** Catalogue and stock: every spring, found, sorted, typed over, taken in and saved as CSV. */
export function RackPage() {
  const rack = useRack();
  const edits = useRackEdits(rack.data);
  useUndoKeys({ undo: edits.undo, redo: () => undefined });
  const [importing, setImporting] = useState(false);
  const springs = useMemo(() => rack.data ?? [], [rack.data]);
  const { asked, set, shown } = useFilters(springs);
  return (
    <main className="mx-auto w-full max-w-[1360px] flex-1 px-6 py-4 narrow:px-4">
      <title>Spring rack · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">Spring rack</h1>
        <Button look="quiet" disabled={!edits.last} title={edits.last ?? ''} onClick={edits.undo}>
          Undo
        </Button>
      </HeaderSlot.Fill>
      <Tools springs={springs} shown={shown.length} add={edits.add} toImport={() => setImporting(true)} />
      {edits.failed && (
        <p role="alert" className="text-short mb-3">
          {edits.failed.words}{' '}
          {edits.failed.again && (
            <Button look="quiet" onClick={edits.failed.again}>
              Send it again
            </Button>
          )}
        </p>
      )}
      <Filters asked={asked} set={set} springs={springs} />
      <div className="bg-sheet border-rule border p-4">
        <Shelf rack={rack} springs={springs} shown={shown} edits={edits} />
      </div>
      <ImportDialog open={importing} onClose={() => setImporting(false)} />
    </main>
  );
}

interface ToolsProps {
  springs: readonly RackSpring[];
  shown: number;
  add: RackEdits['add'];
  toImport: () => void;
}

/** The search, what comes in and what goes out, and how many are shown. */
function Tools({ springs, shown, add, toImport }: ToolsProps) {
  return (
    <div className="mb-3 flex flex-wrap items-center gap-3">
      <Link
        to="/rack/search"
        className="bg-action text-on-action inline-flex min-h-9 items-center px-4 font-semibold"
      >
        <Search size={15} aria-hidden className="mr-1.5" />
        Find springs
      </Link>
      <Button onClick={() => add({ ...blankRackValues, name: 'new spring' })}>
        <Plus size={15} aria-hidden className="mr-1 inline" />
        New spring
      </Button>
      <Button onClick={toImport}>
        <Upload size={15} aria-hidden className="mr-1 inline" />
        Import CSV
      </Button>
      <Button disabled={springs.length === 0} onClick={() => saveCsv(springs)}>
        <Download size={15} aria-hidden className="mr-1 inline" />
        Export CSV
      </Button>
      <p className="text-second ml-auto">
        {shown === springs.length ? `${springs.length} springs` : `${shown} of ${springs.length} springs`}
      </p>
    </div>
  );
}

interface ShelfProps {
  rack: ReturnType<typeof useRack>;
  springs: readonly RackSpring[];
  shown: RackSpring[];
  edits: RackEdits;
}

/** The table, or why there is none. */
function Shelf({ rack, springs, shown, edits }: ShelfProps) {
  if (rack.isPending) return <p className="text-second">Loading the rack …</p>;
  if (rack.isError && springs.length === 0)
    return (
      <>
        <p role="alert">The rack cannot be loaded: no connection to the server.</p>
        <Button className="mt-3" onClick={() => void rack.refetch()}>
          Try again
        </Button>
      </>
    );
  if (springs.length === 0)
    return (
      <p className="text-second">
        The rack is empty. Add a spring, or import a list: any CSV with a name and a rate will do.
      </p>
    );
  if (shown.length === 0) return <p className="text-second">No results. Change what is searched for.</p>;
  return <RackTable springs={shown} edits={edits} />;
}

const bounds = [
  { key: 'rate', label: 'Rate', quantity: 'rate', range: limits.springRateNPerMm },
  { key: 'free', label: 'Free length', quantity: 'size', range: limits.springMm },
] as const;

interface FilterProps {
  asked: Asked;
  set: (key: keyof Asked, value: string) => void;
  springs: readonly RackSpring[];
}

function Filters({ asked, set, springs }: FilterProps) {
  const style = useLengthStyle(1);
  const inners = [...new Set(springs.flatMap(({ innerMm }) => innerMm ?? []))].sort((a, b) => a - b);
  return (
    <div data-fields className="mb-3 flex flex-wrap items-end gap-x-5 gap-y-2">
      <div className="w-56">
        <FindBox label="Find a spring" value={asked.find ?? ''} onChange={(find) => set('find', find)} />
      </div>
      <label className="block">
        <span className="label text-second block">Inner diameter</span>
        <Select
          look=""
          value={asked.inner ?? ''}
          options={[
            { value: '', words: 'any' },
            ...inners.map((mm) => ({ value: String(mm), words: lengthText(mm, style) })),
          ]}
          onChange={(to) => set('inner', to)}
        />
      </label>
      {bounds.map(({ key, label, quantity, range }, i) => (
        <div key={key} className="relative flex items-end gap-2">
          {(['from', 'to'] as const).map((end, k) => (
            <NumberField
              key={end}
              className="w-24"
              label={`${label} ${end}`}
              showLabel
              order={2 * i + k}
              draftKey={`rack.filter.${key}.${end}`}
              quantity={quantity}
              range={range}
              value={numberIn(asked, `${key}-${end}`)}
              placeholder="any"
              onCommit={(value) => set(`${key}-${end}`, value === null ? '' : String(value))}
            />
          ))}
        </div>
      ))}
      <label className="flex min-h-9 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          className="accent-action size-4"
          checked={asked.stock === '1'}
          onChange={(event) => set('stock', event.target.checked ? '1' : '')}
        />
        in stock only
      </label>
    </div>
  );
}

function saveCsv(springs: readonly RackSpring[]): void {
  const { headings, rows } = writeRack(springs);
  const text = Papa.unparse({ fields: headings, data: rows }, { escapeFormulae: true, newline: '\r\n' });
  download(new Blob(['\uFEFF', text], { type: 'text/csv;charset=utf-8' }), 'spring-rack.csv');
}
