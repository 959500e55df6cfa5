import type { ReactNode } from 'react';
import type { Sum } from '#core/sums/types.ts';
import { useSum } from './sumContext.ts';

interface Props {
  /** Made only when the figure is opened. */
  sum: () => Sum | null;
  /** What the figure is, for the screen reader. */
  name: string;
  children: ReactNode;
  className?: string;
}

/** A figure that opens to the sum behind it: click, or Enter or s when focused. */
export function SumFigure({ sum, name, children, className = '' }: Props) {
  const show = useSum((state) => state.show);
  const open = (target: HTMLElement) => {
    const made = sum();
    if (made) show(made, target);
  };
  return (
    <button
      type="button"
      data-sum
      title="Show the sum (s)"
      onClick={(event) => open(event.currentTarget)}
      className={`hover:decoration-action cursor-pointer text-left decoration-transparent underline decoration-1 underline-offset-4 ${className}`}
    >
      <span className="sr-only">{name}: </span>
      {children}
    </button>
  );
}
