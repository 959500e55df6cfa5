import type { ReactNode } from 'react';
import { Term } from '../../ui/Term.tsx';

/** A part of a stage under its heading. */
export function Part({ title, words, children }: { title: string; words: string; children: ReactNode }) {
  return (
    <section
      aria-label={title}
      className="border-rule mt-5 border-t pt-3 first:mt-0 first:border-t-0 first:pt-0"
    >
      <h2 className="text-head font-semibold">
        <Term>{title}</Term> <span className="label text-second font-normal">{words}</span>
      </h2>
      {children}
    </section>
  );
}
