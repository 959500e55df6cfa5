import { TriangleAlert } from 'lucide-react';
import type { Caution } from '#core/judge/cautions.ts';

interface Props {
  title: string;
  list: readonly Caution[];
  folded?: boolean;
}

/** Cautions where they apply: one line each, the reason behind it. */
export function Cautions({ title, list, folded = false }: Props) {
  return (
    <details className="border-rule mx-4 border-b py-2" open={!folded}>
      <summary className="flex min-h-6 items-center gap-2 font-semibold">
        <TriangleAlert size={16} aria-hidden className="text-short" /> {title}
      </summary>
      <ul className="mt-1 grid gap-x-6 gap-y-1 xl:grid-cols-2">
        {list.map(({ words, why }) => (
          <li key={words} className="label">
            {words} <span className="text-second">{why}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}
