import { assumedOf } from '#core/document/description/assumed.ts';
import { clearance as clearanceField } from '#core/document/description/parts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { described } from '../../forms/described.ts';
import { Plus, X } from 'lucide-react';
import type { Json } from '#core/document/types.ts';
import { blankBar } from '#core/document/create.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { limits } from '#contract/limits.ts';
import { useNewRows } from '../../forms/newRows.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { cornerNumbers } from '../../ui/words.ts';
import type { QuantityName, Range } from '../../forms/quantity.ts';
import { Select } from '../../ui/Select.tsx';
import { Button } from '../../ui/Button.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { PathField } from '../../forms/fields.tsx';
import { Panel } from '../sheet/Panel.tsx';

/** What can touch, what ties left and right together, and what it stands on. */
export function RoomSection() {
  const job = useThisJob();
  const { document } = job.record;
  const footing = footingOf(document.machine.class);
  const given =
    document.skid !== null ||
    document.bars.front !== null ||
    document.bars.rear !== null ||
    cornersIn(document).some((id) => {
      const { clearances, boots, floorMm } = document.corners[id];
      return clearances.length + boots.length > 0 || floorMm !== null;
    });
  return (
    <Panel
      title={`Clearances, ${footing === 'wheels' ? 'bars ' : footing === 'sleds' ? 'skid ' : ''}and floor`}
      words="what can touch as it goes up or down"
      open={given}
    >
      <div data-fields>
        <CornerList {...clearances} />
        {footing === 'wheels' && <CornerList {...joints} />}
        {footing === 'wheels' && <Bars />}
        {footing === 'sleds' && <Skid />}
        <CornerTable caption="Floor under each corner">
          <CornerRow label="Floor lies higher by" help="than the shop’s level; lower is −">
            {(id) => (
              <PathField
                path={['corners', id, 'floorMm']}
                label={`Floor, ${cornerNames[id]}`}
                order={900 + cornerNumbers[id]}
                placeholder="level"
              />
            )}
          </CornerRow>
        </CornerTable>
      </div>
    </Panel>
  );
}

interface Column {
  key: string;
  label: string;
  help: string;
  quantity: QuantityName;
  range: Range;
  /** What is taken where it is left empty; without it, it may not be. */
  assumed?: string;
}

interface ListKind {
  /** Where it stands in a corner's description. */
  at: 'clearances' | 'boots';
  title: string;
  what: string;
  none: string;
  /** What may stand in an empty name. */
  example: string;
  columns: readonly Column[];
  blank: Record<string, Json>;
}

const clearances: ListKind = {
  at: 'clearances',
  title: 'Clearances',
  what: 'clearance',
  none: 'None yet: tyre to arch, coil to arm, axle to frame, fins of a joint boot.',
  example: 'tyre to arch',
  columns: [
    { key: 'nowMm', label: 'Now', help: 'at the baseline', quantity: 'length', range: limits.clearanceMm },
    { key: 'perMm', label: 'Gains', help: 'times the rise; boot fins: leave it', quantity: 'number', range: { min: -5, max: 5 }, assumed: `${assumedOf(clearanceField.fields.perMm)} assumed` },
    { key: 'leastMm', label: 'At least', help: 'must stay', quantity: 'length', range: limits.clearanceMm },
  ],
  blank: { name: '', nowMm: null, perMm: null, leastMm: null, atMm: null, rows: null },
}; // oxfmt-ignore

const joints: ListKind = {
  at: 'boots',
  title: 'Shaft joints and boots',
  what: 'shaft joint',
  none: 'None yet: a driven end that is lifted runs out of joint angle first.',
  example: 'outer joint',
  columns: [
    { key: 'nowDeg', label: 'Angle now', help: '°, down outwards', quantity: 'number', range: limits.jointDeg },
    { key: 'mostDeg', label: 'At most', help: '°, at ride height', quantity: 'number', range: { min: 1, max: 89 } },
    { key: 'shaftMm', label: 'Shaft', help: 'joint to joint', quantity: 'length', range: limits.springMm },
  ],
  blank: { name: '', nowDeg: null, mostDeg: null, shaftMm: null },
}; // oxfmt-ignore

/** A line of a list: kept with the job, or begun and not counted yet. */
interface Line {
  key: string;
  id: CornerId;
  line: Record<string, Json>;
  /** Keys of what it still needs before it counts. */
  missing: readonly string[];
  set: (key: string, value: Json) => void;
  move: (to: CornerId) => void;
  remove: () => void;
}

/** Says of a row that is not filled what it needs. */
function NotCounted({ missing, columns }: { missing: readonly string[]; columns: readonly Column[] }) {
  const names = missing.map((key) =>
    key === 'name' ? 'what it is' : (columns.find((one) => one.key === key)?.label.toLowerCase() ?? key),
  );
  return <p className="label text-tight">not counted yet: {names.join(', ')}</p>;
}

/** The lines of a list: those kept with the job, then those begun; and how one more is begun. */
function useLines({ at, title, what, columns, blank }: ListKind): { lines: Line[]; begin: () => void } {
  const job = useThisJob();
  const { document } = job.record;
  const ids = cornersIn(document);
  const listAt = (id: CornerId) => document.corners[id][at] as unknown as Record<string, Json>[];
  const put = (label: string, ...lists: [CornerId, Record<string, Json>[]][]) =>
    job.actions.change(label, ...lists.map(([id, list]): [string[], Json] => [['corners', id, at], list]));
  const without = (id: CornerId, k: number) => listAt(id).filter((_, j) => j !== k);
  const fresh = useNewRows(
    pathKey(job.record.id, [at]),
    ['name', ...columns.flatMap(({ key, assumed }) => (assumed ? [] : [key]))],
    ({ corner, ...line }) => {
      const id = corner as CornerId;
      put(`A ${what} added`, [id, [...listAt(id), line]]);
    },
  );
  const kept = ids.flatMap((id) =>
    listAt(id).map((line, k): Line => ({
      key: pathKey(job.record.id, ['corners', id, at, String(k)]),
      id,
      line,
      missing: [],
      set: (key, value) =>
        put(`${title}, ${cornerNames[id]}`, [
          id,
          listAt(id).map((one, j) => (j === k ? { ...one, [key]: value } : one)),
        ]),
      move: (to) => put(`${title} moved`, [id, without(id, k)], [to, [...listAt(to), line]]),
      remove: () => put(`${title}: one removed`, [id, without(id, k)]),
    })),
  );
  const begun = fresh.rows.map((row): Line => ({
    key: `${job.record.id}|new.${row.id}`,
    id: row.fields.corner as CornerId,
    line: row.fields,
    missing: fresh.missing(row),
    set: (key, value) => fresh.set(row.id, key, value),
    move: (to) => fresh.set(row.id, 'corner', to),
    remove: () => fresh.remove(row.id),
  }));
  const lines = [...kept, ...begun];
  const counted = (one: CornerId) => lines.filter(({ id }) => id === one).length;
  return { lines, begin: () => fresh.add({ ...blank, corner: nextCorner(ids, counted) }) };
}

/** Things kept in a list at each corner, as one table: a line each, with its corner. */
function CornerList(kind: ListKind) {
  const { title, what, none, columns } = kind;
  const { lines, begin } = useLines(kind);
  return (
    <section aria-label={title} className="mt-3">
      <h3 className="font-semibold">{title}</h3>
      {lines.length === 0 && <p className="label text-second">{none}</p>}
      {lines.length > 0 && (
        <div className="relative overflow-x-auto">
          <table className="mt-1 w-full min-w-[640px] table-fixed border-collapse">
            <thead>
              <tr className="label text-second text-left">
                <th className="w-36 font-normal">Corner</th>
                <th className="px-2 font-normal">What</th>
                {columns.map(({ key, label, help }) => (
                  <th key={key} className="px-2 font-normal">
                    {label} <span>{help}</span>
                  </th>
                ))}
                <th className="w-9" />
              </tr>
            </thead>
            <tbody>
              {lines.map((line, i) => (
                <ListLine key={line.key} kind={kind} of={line} rank={i} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Button className="mt-2" onClick={begin}>
        <Plus aria-hidden size={15} className="mr-1 inline" />
        Add a {what}
      </Button>
    </section>
  );
}

function ListLine({ kind, of, rank }: { kind: ListKind; of: Line; rank: number }) {
  const ids = cornersIn(useThisJob().record.document);
  const { what, example, columns } = kind;
  const { key, id, line, missing, set, move, remove } = of;
  const called = String(line.name);
  const named = `${called === '' ? `new ${what}` : called}, ${cornerNames[id]}`;
  return (
    <tr className="border-rule relative border-t align-bottom">
      <td className="py-1">
        <Select
          label={`Corner of ${named}`}
          value={id}
          options={ids.map((one) => ({ value: one, words: cornerNames[one] }))}
          onChange={(to) => move(to as CornerId)}
        />
      </td>
      <td className="px-2 py-1">
        <TextField
          label={`What it is, ${named}`}
          hideLabel
          required
          value={called}
          placeholder={example}
          draftKey={`${key}.name`}
          maxLength={limits.nameLength}
          onCommit={(name) => set('name', name)}
        />
        {missing.length > 0 && <NotCounted missing={missing} columns={columns} />}
      </td>
      {columns.map((column, c) => (
        <td key={column.key} className="px-2 py-1">
          <NumberField
            label={`${column.label}, ${named}`}
            draftKey={`${key}.${column.key}`}
            quantity={column.quantity}
            decimals={2}
            range={column.range}
            order={500 + 10 * rank + c}
            value={(line[column.key] ?? null) as number | null}
            placeholder={column.assumed}
            onCommit={(value) =>
              (value !== null || missing.length > 0 || column.assumed) && set(column.key, value)
            }
          />
        </td>
      ))}
      <td className="py-1 text-right">
        <button
          type="button"
          onClick={remove}
          aria-label={`Remove ${named}`}
          className="text-second inline-flex size-9 items-center justify-center"
        >
          <X aria-hidden size={16} />
        </button>
      </td>
    </tr>
  );
}

/** The first corner with the fewest, so that adding goes round the machine. */
function nextCorner(ids: readonly CornerId[], count: (id: CornerId) => number): CornerId {
  return ids.reduce((best, id) => (count(id) < count(best) ? id : best), ids[0] ?? 'LF');
}

/** Anti-roll bars: whether hooked while measuring, and how stiff. */
function Bars() {
  const job = useThisJob();
  const { bars } = job.record.document;
  return (
    <section aria-label="Anti-roll bars" className="mt-4">
      <h3 className="font-semibold">
        Anti-roll bars{' '}
        <span className="label text-second font-normal">
          hooked up while measuring they swallow left and right corrections
        </span>
      </h3>
      <div className="relative grid grid-cols-2 gap-x-6 max-md:grid-cols-1">
        {(['front', 'rear'] as const).map((axle, k) => {
          const bar = bars[axle];
          const put = (label: string, next: typeof bar) => job.actions.change(label, [['bars', axle], next]);
          const state = bar === null ? 'none' : bar.hooked ? 'hooked' : 'off';
          return (
            <div key={axle} className="grid grid-cols-2 items-end gap-x-4">
              <label>
                <span className="label text-second block">{axle === 'front' ? 'Front bar' : 'Rear bar'}</span>
                <Select
                  label={axle === 'front' ? 'Front bar' : 'Rear bar'}
                  value={state}
                  options={[
                    { value: 'none', words: 'none, or not known' },
                    { value: 'off', words: 'links off while measuring' },
                    { value: 'hooked', words: 'hooked up while measuring' },
                  ]}
                  onChange={(next) =>
                    put(
                      `Bar, ${axle}`,
                      next === 'none'
                        ? null
                        : { ...(bar ?? blankBar(null, false)), hooked: next === 'hooked' },
                    )
                  }
                />
              </label>
              {bar && (
                <NumberField
                  label={`Bar rate at the wheels, ${axle}`}
                  showLabel
                  draftKey={`${pathKey(job.record.id, ['bars', axle])}.rate`}
                  {...described(job.record.document, ['bars', axle, 'rateNPerMm'])}
                  decimals={2}
                  order={800 + k}
                  value={bar.rateNPerMm}
                  onCommit={(rateNPerMm) => put(`Bar rate, ${axle}`, { ...bar, rateNPerMm })}
                />
              )}
            </div>
          );
        })}
      </div>
    </section>
  );
}

/** What of a skid is set beside its springs: how many places there are. Where it stands is a matter of Ride. */
function Skid() {
  const job = useThisJob();
  const { skid } = job.record.document;
  const put = (next: typeof skid) => job.actions.change('Skid', [['skid'], next]);
  const parts = [
    { key: 'blockPositions', label: 'Transfer block positions', usual: 4 },
    { key: 'strapHoles', label: 'Limiter strap holes', usual: 5 },
  ] as const;
  return (
    <section aria-label="Skid" className="mt-4">
      <h3 className="font-semibold">
        Skid{' '}
        <span className="label text-second font-normal">
          how many places its blocks and strap have, 1 is the loosest
        </span>
      </h3>
      <div className="relative grid grid-cols-4 gap-x-4 max-md:grid-cols-2">
        {parts.map(({ key, label, usual }, k) => (
          <NumberField
            key={key}
            label={label}
            showLabel
            draftKey={`${pathKey(job.record.id, ['skid'])}.${key}`}
            quantity="number"
            decimals={0}
            range={limits.skidPositions}
            order={850 + k}
            value={skid?.[key] ?? null}
            onCommit={(value) =>
              value !== null &&
              put({ blockPositions: 4, strapHoles: 5, ...skid, [key]: Math.round(value) || usual })
            }
          />
        ))}
      </div>
    </section>
  );
}
