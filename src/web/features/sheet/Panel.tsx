import { ChevronDown } from 'lucide-react';
import { useId, useState, type ReactNode } from 'react';

interface Props {
  title: string;
  words: ReactNode;
  /** Open from the start, and opened once it becomes so. */
  open?: boolean;
  children: ReactNode;
}

/**
 * A part of the sheet that opens under its title; it is worked out only where somebody looks. Nothing moves as it opens, so
 * nothing need be measured either: a sheet has many, and measuring each would lay the whole page out as often.
 */
export function Panel({ title, words, open = false, children }: Props) {
  const id = useId();
  const [shown, setShown] = useState(open);
  const [before, setBefore] = useState(open);
  if (open !== before) {
    setBefore(open);
    if (open) setShown(true);
  }
  return (
    <div className="border-rule border-t">
      <button
        type="button"
        aria-expanded={shown}
        aria-controls={id}
        onClick={() => setShown(!shown)}
        className="group flex min-h-10 items-center gap-2 text-left font-semibold"
      >
        <ChevronDown aria-hidden size={16} className="shrink-0 -rotate-90 group-aria-expanded:rotate-0" />
        <span>
          {title} <span className="label text-second ml-1 font-normal">{words}</span>
        </span>
      </button>
      <div id={id} hidden={!shown} className="overflow-x-auto pb-3">
        {shown && children}
      </div>
    </div>
  );
}
