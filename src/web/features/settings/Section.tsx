import type { ReactNode } from 'react';

/** One part of the settings: what it is about, and its lines. */
export function Section({ id, title, children }: { id: string; title: string; children: ReactNode }) {
  return (
    <section id={id} aria-labelledby={`${id}-title`} className="bg-sheet border-rule mt-4 border p-5">
      <h2 id={`${id}-title`} className="font-semibold">
        {title}
      </h2>
      {children}
    </section>
  );
}
