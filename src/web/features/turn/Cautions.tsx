import { useThisJob } from '../../jobStore/jobContext.ts';
import { TriangleAlert } from 'lucide-react';
import { factAt } from '#core/document/facts.ts';
import type { Caution } from '#words/cautions.ts';
import { readPlace } from './cautionsRead.ts';

interface Props {
  title: string;
  list: readonly Caution[];
  folded?: boolean;
}

/** Cautions where they apply: one line each with the reason behind it, ticked once it has been read. */
export function Cautions({ title, list, folded = false }: Props) {
  const job = useThisJob();
  const read = list.filter(({ id }) => factAt(job.facts, readPlace(id))).length;
  return (
    <details className="border-rule mx-4 border-b py-2" open={!folded && read < list.length}>
      <summary className="flex min-h-6 cursor-pointer items-center gap-2 font-semibold">
        <TriangleAlert size={16} aria-hidden className="text-short" /> {title}
        <span className="label text-second font-normal">
          {read === list.length ? 'all read' : `${read} of ${list.length} ticked as read`}
        </span>
      </summary>
      <ul className="mt-1 grid gap-x-6 gap-y-1 xl:grid-cols-2">
        {list.map((caution) => (
          <CautionLine key={caution.id} caution={caution} />
        ))}
      </ul>
    </details>
  );
}

function CautionLine({ caution: { id, words, why } }: { caution: Caution }) {
  const job = useThisJob();
  const place = readPlace(id);
  const isRead = factAt(job.facts, place) !== undefined;
  return (
    <li>
      <label className="label flex cursor-pointer items-start gap-2 py-0.5">
        <input
          type="checkbox"
          className="accent-action mt-px size-4 shrink-0"
          checked={isRead}
          onChange={() =>
            isRead
              ? job.actions.clear('Caution no longer ticked', place)
              : job.actions.record(`Caution read: ${words}`.slice(0, 200), place)
          }
        />
        <span>
          {words} <span className="text-second">{why}</span>
        </span>
      </label>
    </li>
  );
}
