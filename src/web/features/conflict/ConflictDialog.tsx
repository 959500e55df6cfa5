import type { MeasureName } from '#core/units/measure.ts';
import { useTell } from '../../ui/settings.ts';
import { dropUnsent, enqueue, useQueue } from '../../api/queue.ts';
import type { Unsent } from '../../api/unsent.ts';
import { queryClient } from '../../api/jobs.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Length } from '../../ui/Figure.tsx';
import { Mass } from '../../ui/Measure.tsx';
import { newStamp } from '../../jobStore/stamp.ts';
import { capital } from '../../ui/words.ts';
import { clashesOf, type Clash, type Said } from './clashes.ts';

/** Tells the later of two writers, shows both values, and lets the reader choose. Nothing is overwritten unasked. */
export function ConflictDialog() {
  const item = useQueue((state) => state.items.find(({ refused }) => refused !== null));
  if (!item?.refused) return null;
  const clashes = clashesOf(item);
  return clashes.length > 0 ? <Choose item={item} clashes={clashes} /> : <Refused item={item} />;
}

function Choose({ item, clashes }: { item: Unsent; clashes: Clash[] }) {
  const settle = (mine: boolean) => {
    dropUnsent(item.id);
    if (mine) sendAgain(item);
    void queryClient.invalidateQueries({ queryKey: ['job', item.jobId] });
  };
  return (
    <Dialog
      open
      onClose={() => settle(false)}
      title="Changed elsewhere meanwhile"
      description="Another window kept a different value first. Nothing is overwritten until you choose."
    >
      <table className="w-full">
        <thead className="label text-second text-left">
          <tr>
            <th className="font-normal">what</th>
            <th className="pl-3 font-normal">theirs, kept</th>
            <th className="pl-3 font-normal">yours</th>
          </tr>
        </thead>
        <tbody>
          {clashes.map((clash) => (
            <tr key={clash.what} className="border-rule border-t">
              <td className="py-2">{capital(clash.what)}</td>
              <td className="py-2 pl-3 font-semibold">
                <Value {...clash.theirs} />
                {clash.by && <span className="text-second font-normal"> by {clash.by}</span>}
              </td>
              <td className="py-2 pl-3 font-semibold">
                <Value {...clash.yours} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-5 flex gap-3">
        <Button look="main" onClick={() => settle(false)}>
          Keep theirs
        </Button>
        <Button onClick={() => settle(true)}>Use mine instead</Button>
      </div>
    </Dialog>
  );
}

/** Units of facts that are shown in the reader's. */
const measureOf: Partial<Record<NonNullable<Said['unit']>, MeasureName>> = {
  bar: 'pressure',
  km: 'distance',
  litres: 'volume',
};

function Value({ value, unit }: Said) {
  const tell = useTell();
  if (typeof value !== 'number')
    return (
      <>
        {value === null || value === ''
          ? 'nothing'
          : typeof value === 'string'
            ? value
            : JSON.stringify(value)}
      </>
    );
  if (unit === 'mm') return <Length mm={value} decimals={2} />;
  if (unit === 'kg') return <Mass kg={value} decimals={1} />;
  const name = unit && measureOf[unit];
  if (name) return <span className="figures">{tell(name, value)}</span>;
  return (
    <span className="figures">
      {value}
      {unit && ` ${unit}`}
    </span>
  );
}

function Refused({ item }: { item: Unsent }) {
  const problem = item.refused?.problem;
  const label = item.what.kind === 'entry' ? item.what.entry.label : `new job ${item.what.job.document.name}`;
  return (
    <Dialog
      open
      onClose={() => dropUnsent(item.id)}
      title="The server would not take this"
      description={problem?.title ?? ''}
    >
      <p>{capital(label)}</p>
      <ul className="mt-2 list-disc pl-5">
        {(problem?.errors ?? []).map(({ pointer, detail }) => (
          <li key={pointer + detail}>
            {pointer ? `${pointer}: ` : ''}
            {detail}
          </li>
        ))}
      </ul>
      <Button look="main" className="mt-5" onClick={() => dropUnsent(item.id)}>
        Discard mine
      </Button>
    </Dialog>
  );
}

/** The same wish once more, now knowing what it replaces. */
function sendAgain(item: Unsent): void {
  const refusal = item.refused?.conflict?.refusal;
  if (item.what.kind !== 'entry' || !refusal) return;
  const { entry } = item.what;
  if (entry.type === 'change' && refusal.reason === 'conflict') {
    const theirs = new Map(refusal.conflicts.map((clash) => [clash.path.join('.'), clash.theirs]));
    const ops = entry.ops.map((op) => ({ ...op, from: theirs.get(op.path.join('.')) ?? op.from }));
    enqueue(item.jobId, {
      kind: 'entry',
      entry: { ...entry, ...newStamp(), undoOf: null, redoOf: null, ops },
    });
  }
  if (entry.type === 'fact' && refusal.reason === 'taken')
    enqueue(item.jobId, { kind: 'entry', entry: { ...entry, ...newStamp(), replaces: refusal.standing.id } });
}
