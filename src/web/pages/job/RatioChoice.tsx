import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import type { RatioDescription } from '#core/geometry/ratioMap.ts';
import { cornerSpec } from '#core/job/corner.ts';
import type { Json } from '#core/job/types.ts';
import { cornerNames, twinOf, type CornerId } from '#core/machine/body.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../features/job/draftKeys.ts';
import type { Job } from '../../features/job/useJob.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { CornerSelect } from './CornerRow.tsx';

type Kind = 'one' | 'table' | 'levers' | 'linkage';

const kindWords: Record<Kind, string> = {
  one: 'one number',
  table: 'measured pairs',
  levers: 'two levers and an angle',
  linkage: 'a linkage',
};

const kindOf = (from: RatioDescription | null): Kind =>
  from && from.kind !== 'constant' ? from.kind : 'one';

/** Where a corner's ratio comes from: one number, or more where it changes over the travel. */
export function RatioChoice({ job, id }: { job: Job; id: CornerId }) {
  const [open, setOpen] = useState(false);
  const { ratioFrom } = job.record.document.corners[id];
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`Ratio by, ${cornerNames[id]}: ${kindWords[kindOf(ratioFrom)]}`}
        onClick={() => setOpen(true)}
        className="border-second/70 hover:bg-wash min-h-9 w-full border-b text-left text-[13px] [font-stretch:82%]"
      >
        {kindWords[kindOf(ratioFrom)]}
      </button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`Motion ratio, ${cornerNames[id]}`}
        description="Where the ratio changes over the travel, pairs of wheel travel and damper compression say it best: wheel hanging is 0 and 0."
      >
        <Editor job={job} id={id} />
      </Dialog>
    </>
  );
}

function Editor({ job, id }: { job: Job; id: CornerId }) {
  const { ratioFrom } = job.record.document.corners[id];
  const kind = kindOf(ratioFrom);
  const twin = twinOf(id);
  const put = (next: RatioDescription | null) =>
    job.actions.change(
      `Motion ratio, ${cornerNames[id]}`,
      ...[id, ...(twin ? [twin] : [])].map((one): [string[], Json] => [
        ['corners', one, 'ratioFrom'],
        next as unknown as Json,
      ]),
    );
  const offered = (Object.keys(kindWords) as Kind[]).filter((one) => one !== 'linkage' || kind === 'linkage');
  return (
    <div data-fields>
      <CornerSelect
        label="Ratio by"
        value={kind}
        options={offered.map((value) => ({ value, words: kindWords[value] }))}
        onChange={(to) => put(startOf(to as Kind, job, id))}
      />
      {ratioFrom?.kind === 'table' && <Pairs job={job} id={id} rows={ratioFrom.rows} put={put} />}
      {ratioFrom?.kind === 'levers' && <Levers job={job} id={id} levers={ratioFrom} put={put} />}
      {ratioFrom?.kind === 'linkage' && <Link job={job} id={id} linkage={ratioFrom} put={put} />}
      {kind === 'one' && (
        <p className="text-second mt-3">The figure stands in the table: damper per wheel, 0.5 or 2:1.</p>
      )}
      {twin && <p className="label text-second mt-3">The same {cornerNames[twin]}.</p>}
    </div>
  );
}

/** What to type over: the one ratio that stands, said in the new way. */
function startOf(kind: Kind, job: Job, id: CornerId): RatioDescription | null {
  const { ratio, travelMm } = cornerSpec(job.record.document, id);
  const [r, z] = [ratio.value, travelMm.value];
  switch (kind) {
    case 'table':
      return { kind, rows: [0, 0.5, 1].map((share) => [share * z, Math.round(10 * share * z * r) / 10]) };
    case 'levers':
      return { kind, damperLeverMm: Math.round(400 * r), wheelLeverMm: 400, damperAngleDeg: 90 };
    default:
      return null;
  }
}

interface PartProps {
  job: Job;
  id: CornerId;
  put: (next: RatioDescription | null) => void;
}

type Row = readonly [number, number];

function Pairs({ job, id, rows, put }: PartProps & { rows: readonly Row[] }) {
  const key = pathKey(job.record.id, ['corners', id, 'ratioFrom']);
  const set = (k: number, column: 0 | 1, mm: number) =>
    put({
      kind: 'table',
      rows: rows.map(([z, s], j): Row => (j !== k ? [z, s] : column === 0 ? [mm, s] : [z, mm])),
    });
  const add = () => {
    const [[z0, s0] = [0, 0], [z1, s1] = [0, 0]] = rows.slice(-2);
    put({ kind: 'table', rows: [...rows, [z1 + (z1 - z0) / 2, s1 + (s1 - s0) / 2]] });
  };
  return (
    <>
      <table className="mt-3 w-full">
        <thead className="label text-second text-left">
          <tr>
            <th className="font-normal">wheel travel</th>
            <th className="px-3 font-normal">damper compression</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, k) => (
            <tr key={k} className="relative">
              {([0, 1] as const).map((column) => (
                <td key={column} className={column === 1 ? 'px-3' : ''}>
                  <NumberField
                    label={`${column === 0 ? 'Wheel travel' : 'Damper compression'}, pair ${k + 1}`}
                    order={2 * k + column}
                    draftKey={`${key}.${k}.${column}`}
                    quantity="length"
                    decimals={1}
                    range={{ min: 0, max: 2000 }}
                    value={row[column]}
                    onCommit={(mm) => mm !== null && set(k, column, mm)}
                  />
                </td>
              ))}
              <td className="w-9">
                {rows.length > 2 && (
                  <button
                    type="button"
                    aria-label={`Remove pair ${k + 1}`}
                    onClick={() => put({ kind: 'table', rows: rows.filter((_, j) => j !== k) })}
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
      <Button className="mt-3" onClick={add} disabled={rows.length >= limits.tableRows}>
        <Plus aria-hidden size={15} className="mr-1 inline" />
        Another pair
      </Button>
    </>
  );
}

function Levers({
  job,
  id,
  levers,
  put,
}: PartProps & { levers: Extract<RatioDescription, { kind: 'levers' }> }) {
  const parts = [
    { name: 'damperLeverMm', label: 'Pivot to damper', quantity: 'length', range: limits.springMm },
    { name: 'wheelLeverMm', label: 'Pivot to wheel', quantity: 'length', range: limits.springMm },
    { name: 'damperAngleDeg', label: 'Damper to arm, °', quantity: 'number', range: { min: 5, max: 175 } },
  ] as const;
  return (
    <div className="relative mt-3 grid grid-cols-3 gap-x-4">
      {parts.map(({ name, label, quantity, range }, k) => (
        <NumberField
          key={name}
          label={label}
          showLabel
          order={k}
          draftKey={`${pathKey(job.record.id, ['corners', id, 'ratioFrom'])}.${name}`}
          quantity={quantity}
          decimals={1}
          range={range}
          value={levers[name]}
          onCommit={(value) => value !== null && put({ ...levers, [name]: value })}
        />
      ))}
    </div>
  );
}

/** A linkage comes with a job file; what is changed on it in the workshop is its link. */
function Link({
  job,
  id,
  linkage,
  put,
}: PartProps & { linkage: Extract<RatioDescription, { kind: 'linkage' }> }) {
  return (
    <div className="relative mt-3">
      <NumberField
        className="w-44"
        label="Link longer by"
        showLabel
        order={1}
        draftKey={`${pathKey(job.record.id, ['corners', id, 'ratioFrom'])}.link`}
        quantity="length"
        decimals={1}
        range={{ min: -100, max: 100 }}
        value={linkage.linkLongerMm ?? 0}
        onCommit={(mm) => put({ ...linkage, linkLongerMm: mm ?? 0 })}
      />
      <p className="label text-second mt-6">
        A longer link lowers the chassis, not the travel: look at tyre to fender at full bump, and lower the
        front alike.
      </p>
    </div>
  );
}
