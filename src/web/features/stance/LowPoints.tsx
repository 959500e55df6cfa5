import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Plus, X } from 'lucide-react';
import type { LowPointDocument } from '#core/document/types.ts';
import type { Axle } from '#core/kinds/corners.ts';
import { anglesAfter, USUAL_RADIUS_MM } from '#core/stance/anglesAfter.ts';
import { wheelbaseOf } from '#core/stance/body.ts';
import { lowPoints, type LowPoint } from '#core/stance/lowPoints.ts';
import { changesTyres } from '#core/stance/tyres.ts';
import { angleSum, lowPointSum } from '#words/explain/stanceSums.ts';
import { limits } from '#contract/limits.ts';
import { useNewRows, type NewRow } from '../../forms/newRows.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { Length, Plain } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { StateMark } from '../../ui/StateMark.tsx';
import { UnitOf } from '../../forms/UnitOf.tsx';
import { TextField } from '../../forms/TextField.tsx';

const FIELDS = [
  { key: 'xMm', label: 'ahead of the middle', range: limits.placeMm },
  { key: 'yMm', label: 'left of the middle', range: limits.placeMm },
  { key: 'nowMm', label: 'over the ground, baseline', range: limits.heightMm },
  { key: 'leastMm', label: 'at least', range: limits.heightMm },
] as const;

/** Exhaust, sump, skid plate, lips: each its own reference, carried by the body; and the angles they leave. */
export function LowPoints({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const points = lowPoints(answer);
  const list = job.record.document.stance.points;
  const next = changesTyres(answer.document);
  const put = (label: string, to: LowPointDocument[]) =>
    job.actions.change(label, [['stance', 'points'], to]);
  const fresh = useNewRows(
    pathKey(job.record.id, ['stance', 'points']),
    ['name', 'xMm', 'yMm', 'nowMm'],
    (fields) => {
      const point = fields as unknown as LowPointDocument;
      put(`Low point added: ${point.name}`, [...list, point]);
    },
  );
  return (
    <div data-fields className="relative">
      {list.length + fresh.rows.length === 0 ? (
        <p className="label text-second mt-1">
          None yet. A sump or exhaust with its least clearance, and the lips of nose and tail for the ramps.
        </p>
      ) : (
        <div className="relative overflow-x-auto">
          <table
            className="mt-1 w-full min-w-[700px] narrow:min-w-[820px] table-fixed"
            data-testid="low-points"
          >
            <Head next={next} />
            <tbody>
              {points.map((point) => (
                <Row
                  key={point.index}
                  point={point}
                  next={next}
                  set={(part) =>
                    put(
                      `Low point: ${point.name}`,
                      list.map((one, k) => (k === point.index ? { ...one, ...part } : one)),
                    )
                  }
                  remove={() =>
                    put(
                      `Low point removed: ${point.name}`,
                      list.filter((_, k) => k !== point.index),
                    )
                  }
                />
              ))}
              {fresh.rows.map((row) => (
                <NewPoint key={row.id} row={row} fresh={fresh} order={100 + 10 * points.length} next={next} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Button
        className="mt-2"
        onClick={() => fresh.add(BLANK)}
        disabled={list.length + fresh.rows.length >= limits.loads}
      >
        <Plus aria-hidden size={15} className="mr-1 inline" />
        Add a low point
      </Button>
      <Angles answer={answer} points={points} />
    </div>
  );
}

function Head({ next }: { next: boolean }) {
  return (
    <thead className="label text-second text-left">
      <tr>
        <th className="w-32 py-1 font-normal">point</th>
        {FIELDS.map(({ key, label }) => (
          <th key={key} className="px-2 font-normal">
            {label}, <UnitOf name="length" />
          </th>
        ))}
        <th className="w-24 px-2 text-right font-normal">≈ now, estimated</th>
        <th className="text-action w-28 px-2 text-right font-normal">→ after the plan, predicted</th>
        {next && <th className="text-action w-24 px-2 text-right font-normal">→ next tyres, predicted</th>}
        <th className="w-10" />
      </tr>
    </thead>
  );
}

interface NewPointProps {
  row: NewRow;
  fresh: ReturnType<typeof useNewRows>;
  order: number;
  next: boolean;
}

/** A low point that is begun: it counts once it has its name, its place and its height. */
function NewPoint({ row, fresh, order, next }: NewPointProps) {
  const job = useThisJob();
  const keyOf = (field: string) => `${job.record.id}|new.${row.id}.${field}`;
  return (
    <tr className="border-rule relative border-t" data-low-point="new">
      <td className="py-1 pr-2">
        <PointName
          label="Name of the new low point"
          draftKey={keyOf('name')}
          value={String(row.fields.name)}
          onCommit={(name) => fresh.set(row.id, 'name', name)}
        />
      </td>
      {FIELDS.map((column, k) => (
        <td key={column.key} className="px-2">
          <PointField
            point="new low point"
            column={column}
            draftKey={keyOf(column.key)}
            order={order + k}
            value={(row.fields[column.key] ?? null) as number | null}
            onCommit={(value) => fresh.set(row.id, column.key, value)}
          />
        </td>
      ))}
      <td colSpan={next ? 3 : 2} className="label text-tight px-2">
        not counted yet:{' '}
        {fresh
          .missing(row)
          .map((key) => MISSING[key])
          .join(', ')}
      </td>
      <td>
        <RemoveButton name="the new low point" onClick={() => fresh.remove(row.id)} />
      </td>
    </tr>
  );
}

interface RowProps {
  point: LowPoint;
  next: boolean;
  set: (part: Partial<LowPointDocument>) => void;
  remove: () => void;
}

function Row({ point, next, set, remove }: RowProps) {
  const job = useThisJob();
  const short = point.leastMm !== null && point.afterMm < point.leastMm;
  const key = `${pathKey(job.record.id, ['stance', 'points'])}.${point.index}`;
  return (
    <tr className="border-rule relative border-t" data-low-point={point.name}>
      <td className="py-1 pr-2">
        <PointName
          label={`Name of low point ${point.index + 1}`}
          draftKey={`${key}.name`}
          value={point.name}
          onCommit={(name) => set({ name })}
        />
      </td>
      {FIELDS.map((column, k) => (
        <td key={column.key} className="px-2">
          <PointField
            point={point.name}
            column={column}
            draftKey={`${key}.${column.key}`}
            order={100 + 10 * point.index + k}
            value={point[column.key]}
            onCommit={(value) => {
              if (value !== null || column.key === 'leastMm') set({ [column.key]: value });
            }}
          />
        </td>
      ))}
      <td className="px-2 text-right">
        <Length mm={point.hereMm} decimals={0} />
      </td>
      <td className={`px-2 text-right font-semibold ${short ? 'text-short' : ''}`}>
        <span className="inline-flex items-center gap-1">
          {point.leastMm !== null && <StateMark state={short ? 'short' : 'clear'} />}
          <SumFigure name={`${point.name}, over the ground`} sum={() => lowPointSum(point)}>
            <Length mm={point.afterMm} decimals={0} />
          </SumFigure>
        </span>
        {short && <span className="label block">too low</span>}
      </td>
      {next && (
        <td className="px-2 text-right">
          <Length mm={point.onNextTyresMm} decimals={0} />
        </td>
      )}
      <td>
        <RemoveButton name={`low point ${point.name}`} onClick={remove} />
      </td>
    </tr>
  );
}

interface PointNameProps {
  label: string;
  draftKey: string;
  value: string;
  onCommit: (name: string) => void;
}

function PointName(props: PointNameProps) {
  return <TextField hideLabel required placeholder="sump" maxLength={limits.nameLength} {...props} />;
}

interface PointFieldProps {
  point: string;
  column: (typeof FIELDS)[number];
  draftKey: string;
  order: number;
  value: number | null;
  onCommit: (value: number | null) => void;
}

function PointField({ point, column: { label, range }, ...field }: PointFieldProps) {
  return (
    <NumberField
      label={`${point}, ${label}`}
      quantity="length"
      showUnit={false}
      decimals={1}
      range={range}
      {...field}
    />
  );
}

function RemoveButton({ name, onClick }: { name: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={`Remove ${name}`}
      onClick={onClick}
      className="text-second inline-flex size-9 items-center justify-center"
    >
      <X aria-hidden size={16} />
    </button>
  );
}

const BLANK = { name: '', xMm: null, yMm: null, nowMm: null, leastMm: null };
const MISSING: Record<string, string> = {
  name: 'what it is',
  xMm: 'ahead of the middle',
  yMm: 'left of the middle',
  nowMm: 'ground clearance',
};

const ANGLES = [
  { key: 'approach', title: 'Approach', help: 'ramp ahead' },
  { key: 'breakover', title: 'Breakover', help: 'rise between' },
  { key: 'departure', title: 'Departure', help: 'ramp behind' },
] as const;

function Angles({ answer, points }: { answer: Answer; points: readonly LowPoint[] }) {
  const before = anglesAfter(answer, ({ nowMm }) => nowMm);
  const after = anglesAfter(answer);
  const next = changesTyres(answer.document)
    ? anglesAfter(answer, ({ onNextTyresMm }) => onNextTyresMm, 'nextTyreMm')
    : null;
  const { tyreMm } = answer.document.stance;
  const half = wheelbaseOf(answer) / 2;
  return (
    <dl className="mt-3 flex flex-wrap gap-x-10 gap-y-2" data-testid="angles">
      {ANGLES.map(({ key, title, help }) => {
        const then = after[key];
        const point = points.find(({ name }) => name === then?.by);
        const axles: readonly Axle[] =
          key === 'breakover' ? ['front', 'rear'] : [key === 'approach' ? 'front' : 'rear'];
        const tyres = axles.map((axle) => ({
          axle,
          radiusMm: (tyreMm[axle] ?? 2 * USUAL_RADIUS_MM) / 2,
          awayMm: Math.abs((point?.xMm ?? 0) - (axle === 'front' ? half : -half)),
        }));
        return (
          <div key={key}>
            <dt className="label text-second">
              {title}, {help}
            </dt>
            <dd className="text-head font-bold">
              {then ? (
                <>
                  <SumFigure
                    name={title}
                    sum={() =>
                      angleSum({
                        title,
                        by: then.by,
                        deg: then.deg,
                        heightMm: point?.afterMm ?? 0,
                        tyres,
                      })
                    }
                  >
                    <Plain value={then.deg} decimals={1} />°
                  </SumFigure>{' '}
                  <span className="label text-second font-normal">
                    by the {then.by}; before <Plain value={before[key]?.deg ?? 0} decimals={1} />°
                    {next?.[key] && (
                      <>
                        ; next tyres <Plain value={next[key].deg} decimals={1} />°
                      </>
                    )}
                  </span>
                </>
              ) : (
                <span className="label text-second font-normal">no point given there</span>
              )}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}
