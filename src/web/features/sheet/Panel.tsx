import { ChevronDown } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import { useState, type ReactNode } from 'react';

interface Props {
  title: string;
  words: ReactNode;
  /** Open from the start, and opened once it becomes so. */
  open?: boolean;
  children: ReactNode;
}

/** A part of the sheet that opens under its title; it is worked out only where somebody looks. */
export function Panel({ title, words, open = false, children }: Props) {
  const [shown, setShown] = useState(open);
  const [before, setBefore] = useState(open);
  if (open !== before) {
    setBefore(open);
    if (open) setShown(true);
  }
  return (
    <Collapsible.Root open={shown} onOpenChange={setShown} className="border-rule border-t">
      <Collapsible.Trigger className="group flex min-h-10 items-center gap-2 text-left font-semibold">
        <ChevronDown aria-hidden size={16} className="shrink-0 -rotate-90 group-data-[state=open]:rotate-0" />
        <span>
          {title} <span className="label text-second ml-1 font-normal">{words}</span>
        </span>
      </Collapsible.Trigger>
      <Collapsible.Content className="overflow-x-auto pb-3">{shown && children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
