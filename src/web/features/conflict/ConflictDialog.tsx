import { factUnits, numberOf, type Fact } from '#core/document/factKinds.ts';
import type { Json } from '#core/document/types.ts';
import { dropUnsent, enqueue, useQueue } from '../../api/queue.ts';
import type { Unsent } from '../../api/unsent.ts';
import { queryClient } from '../../api/jobs.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Length } from '../../ui/Figure.tsx';
import { newStamp } from '../job/stamp.ts';
import { capital } from '../job/words.ts';
import { factWords, pathWords } from '#words/fields.ts';

interface Clash {
  what: string;
  yours: Json;
  theirs: Json;
  isLength: boolean;
}

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
                <Value {...clash} value={clash.theirs} />
              </td>
              <td className="py-2 pl-3 font-semibold">
                <Value {...clash} value={clash.yours} />
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

function Value({ value, isLength }: { value: Json; isLength: boolean }) {
  if (typeof value === 'number')
    return isLength ? <Length mm={value} decimals={2} /> : <span className="figures">{value}</span>;
  return (
    <>
      {value === null || value === '' ? 'nothing' : typeof value === 'string' ? value : JSON.stringify(value)}
    </>
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
        Let it go
      </Button>
    </Dialog>
  );
}

function clashesOf(item: Unsent): Clash[] {
  const refusal = item.refused?.conflict?.refusal;
  if (refusal?.reason === 'conflict')
    return refusal.conflicts.map(({ path, yours, theirs }) => ({
      what: pathWords(path),
      yours,
      theirs,
      isLength: path.at(-1)?.endsWith('Mm') ?? false,
    }));
  if (refusal?.reason === 'taken' && item.what.kind === 'entry' && item.what.entry.type === 'fact') {
    const [yours, theirs] = [item.what.entry.fact, refusal.standing.fact];
    return [
      {
        what: factWords(yours),
        yours: saidBy(yours),
        theirs: saidBy(theirs),
        isLength: factUnits[yours.kind] === 'mm',
      },
    ];
  }
  return [];
}

/** What a fact says: its length, its number with its unit, or its words. */
function saidBy(fact: Fact): Json {
  const number = numberOf(fact);
  const unit = factUnits[fact.kind];
  if (fact.kind === 'recheck')
    return [number === null ? '' : `${number} km`, fact.day ?? ''].filter(Boolean).join(', ');
  if (number !== null) return unit === 'mm' ? number : `${number} ${unit}`;
  return 'how' in fact ? fact.how : 'words' in fact ? fact.words : null;
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
