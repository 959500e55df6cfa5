import {
  columnFilteringFeature,
  createFilteredRowModel,
  createPaginatedRowModel,
  createSortedRowModel,
  rowPaginationFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState } from 'react';
import { rateOf, solidOf, type RackSpring } from '#core/rack/spring.ts';
import { Button } from '../../ui/Button.tsx';
import type { RackEdits } from './useRackEdits.ts';
import { cells } from './rackCells.tsx';
import { UnitOf } from '../../forms/UnitOf.tsx';
import { RackRow } from './RackRow.tsx';

const features = tableFeatures({
  rowSortingFeature,
  rowPaginationFeature,
  columnFilteringFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
  paginatedRowModel: createPaginatedRowModel(),
});

const PER_PAGE = 25;

/** What a column sorts by; springs that lack the figure come last. */
const sortValues: Record<string, (spring: RackSpring) => number | string | undefined> = {
  name: ({ name }) => name,
  rate: (spring) => rateOf(spring)?.value,
  free: ({ freeLengthMm }) => freeLengthMm ?? undefined,
  solid: (spring) => solidOf(spring)?.value,
  inner: ({ innerMm }) => innerMm ?? undefined,
  wire: ({ wireMm }) => wireMm ?? undefined,
  coils: ({ coils }) => coils ?? undefined,
  max: ({ maxN }) => maxN ?? undefined,
  stock: ({ stock }) => stock,
  note: ({ note }) => note,
};

const columns: ColumnDef<typeof features, RackSpring>[] = Object.entries(sortValues).map(
  ([id, accessorFn]) => ({
    id,
    accessorFn,
    sortUndefined: 'last',
    sortDescFirst: false,
    sortFn: (a, b) => {
      const [x, y] = [sortValues[id]?.(a.original), sortValues[id]?.(b.original)];
      return typeof x === 'number' && typeof y === 'number'
        ? x - y
        : String(x ?? '').localeCompare(String(y ?? ''), undefined, { numeric: true });
    },
  }),
);

interface Column {
  getIsSorted: () => false | 'asc' | 'desc';
  toggleSorting: () => void;
}

/** Column titles with their units; each sorts. */
function Headings({ table }: { table: { getColumn: (id: string) => Column | undefined } }) {
  return (
    <thead className="label text-second text-left">
      <tr>
        {cells.map(({ id, title, quantity, width }) => {
          const column = table.getColumn(id);
          const sorted = column?.getIsSorted();
          return (
            <th
              key={id}
              style={{ width }}
              aria-sort={sorted ? (sorted === 'asc' ? 'ascending' : 'descending') : undefined}
              className="pr-3 pb-1 align-bottom font-normal"
            >
              {column ? (
                <button
                  type="button"
                  onClick={() => column.toggleSorting()}
                  className={`min-h-8 text-left ${sorted ? 'text-ink font-semibold' : ''}`}
                >
                  {title}
                  {quantity && (
                    <>
                      , <UnitOf name={quantity} />
                    </>
                  )}
                  {sorted === 'asc' && <ArrowUp aria-hidden size={13} className="ml-0.5 inline" />}
                  {sorted === 'desc' && <ArrowDown aria-hidden size={13} className="ml-0.5 inline" />}
                </button>
              ) : (
                <span className="inline-flex min-h-8 items-center">{title}</span>
              )}
            </th>
          );
        })}
        <th className="w-16" aria-label="Edit" />
      </tr>
    </thead>
  );
}

interface Props {
  springs: RackSpring[];
  edits: RackEdits;
}

/** The rack as a table: sorted by any column; one spring at a time is opened to be typed over. */
export function RackTable({ springs, edits }: Props) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'name', desc: false }]);
  const [pagination, setPagination] = useState({ pageIndex: 0, pageSize: PER_PAGE });
  // A new spring is there to be filled in, also where it is the first that is shown.
  const [opened, setOpened] = useState(edits.added);
  const [added, setAdded] = useState(edits.added);
  if (edits.added !== added) {
    setAdded(edits.added);
    setOpened(edits.added);
  }
  const pages = Math.max(Math.ceil(springs.length / PER_PAGE), 1);
  const pageIndex = Math.min(pagination.pageIndex, pages - 1);
  const table = useTable({
    features,
    columns,
    data: springs,
    getRowId: ({ id }) => id,
    state: { sorting, pagination: { ...pagination, pageIndex } },
    onSortingChange: setSorting,
    onPaginationChange: setPagination,
    autoResetPageIndex: false,
  });
  return (
    <>
      <div className="relative overflow-x-auto" data-fields>
        <table className="w-full min-w-[1060px]">
          <Headings table={table} />
          <tbody>
            {table.getRowModel().rows.map((row, r) => (
              <RackRow
                key={row.id}
                spring={row.original}
                rank={r}
                edits={edits}
                open={opened === row.id}
                onOpen={(open) => setOpened(open ? row.id : null)}
              />
            ))}
          </tbody>
        </table>
      </div>
      {pages > 1 && (
        <nav aria-label="Pages of the rack" className="mt-3 flex items-center gap-3">
          <Button disabled={pageIndex === 0} onClick={() => table.previousPage()}>
            Before
          </Button>
          <span className="figures">
            {pageIndex + 1} of {pages}
          </span>
          <Button disabled={pageIndex === pages - 1} onClick={() => table.nextPage()}>
            Next
          </Button>
        </nav>
      )}
    </>
  );
}
