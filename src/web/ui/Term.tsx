import { entryIn } from '#words/entryIn.ts';
import { useShownTerm } from './shownTerm.ts';

/** A label; one with a word of the trade opens what it means. */
export function Term({ children }: { children: string }) {
  const entry = entryIn(children);
  const show = useShownTerm((state) => state.show);
  if (!entry) return children;
  // Out of the way of Tab, which goes from field to field; the help page has every word for the keyboard.
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-haspopup="dialog"
      onClick={() => show(entry)}
      className="decoration-second/60 -my-1.5 min-h-8 text-left underline decoration-dotted underline-offset-4 print:no-underline"
    >
      {children}
    </button>
  );
}

/** The same beside a label that belongs to a field: its own words put the cursor there. */
export function TermMark({ label }: { label: string }) {
  const entry = entryIn(label);
  const show = useShownTerm((state) => state.show);
  if (!entry) return null;
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-label={`What ${entry.term.toLowerCase()} means`}
      aria-haspopup="dialog"
      onClick={() => show(entry)}
      className="text-second label absolute -top-2 right-0 grid size-8 place-items-center print:hidden"
    >
      ?
    </button>
  );
}
