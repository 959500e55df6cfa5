import { useThisJob } from '../../jobStore/jobContext.ts';
import { factAt } from '#core/document/facts.ts';

interface Item {
  id: string;
  words: string;
  why: string;
  /** What leaving it out costs; not given where it is not to be left out. */
  cost?: string;
}

/** Things to see to: each done, or skipped and noted. Pressing what stands takes it back. */
export function CheckList({
  kind,
  round,
  items,
}: {
  kind: 'prep' | 'check';
  round: number;
  items: readonly Item[];
}) {
  return (
    <ul>
      {items.map((item) => (
        <CheckLine key={item.id} place={{ kind, round, corner: null, slot: item.id }} item={item} />
      ))}
    </ul>
  );
}

function CheckLine({
  place,
  item: { words, why, cost },
}: {
  place: { kind: 'prep' | 'check'; round: number; corner: null; slot: string };
  item: Item;
}) {
  const job = useThisJob();
  const how = factAt(job.facts, place)?.fact.how ?? null;
  const set = (to: 'done' | 'skipped') => {
    if (how === to) job.actions.clear(`Taken back: ${words}`.slice(0, 200), place);
    else
      job.actions.record(`${to === 'done' ? 'Ticked' : 'Skipped'}: ${words}`.slice(0, 200), {
        ...place,
        how: to,
      });
  };
  const choice = (to: 'done' | 'skipped', label: string) => (
    <button
      type="button"
      aria-pressed={how === to}
      aria-label={`${label}: ${words}`}
      onClick={() => set(to)}
      className={`min-h-9 min-w-20 border px-3 ${how === to ? (to === 'done' ? 'border-action bg-action text-on-action font-semibold' : 'border-tight text-tight border-2 font-semibold') : 'border-second/60'}`}
    >
      {how === 'done' && to === 'done' && <span aria-hidden>✓ </span>}
      {label}
    </button>
  );
  return (
    <li className="border-rule flex flex-wrap items-center gap-x-4 gap-y-1 border-b py-2">
      <p className="min-w-60 flex-1">
        <span className="font-medium">{words}</span>{' '}
        <span className={`label block ${how === 'skipped' ? 'text-tight' : 'text-second'}`}>
          {how === 'skipped' && cost
            ? `Skipped: ${cost}. The spread of the readings is widened for it.`
            : why}
        </span>
      </p>
      <div className="flex gap-2 print:hidden">
        {choice('done', 'Done')}
        {cost !== undefined && choice('skipped', 'Skip')}
      </div>
    </li>
  );
}
