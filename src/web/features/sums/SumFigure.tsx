import type { Sum } from '#words/explain/types.ts';
import { useEffect, useId, type ReactNode } from 'react';
import { useSum } from './sumContext.ts';

interface Props {
  /** Made only while the figure is open. */
  sum: () => Sum | null;
  /** What the figure is, for the screen reader. */
  name: string;
  children: ReactNode;
  className?: string;
}

/** A figure that opens to the sum behind it: click, or Enter or s when focused. */
export function SumFigure({ sum, name, children, className = '' }: Props) {
  const id = useId();
  useOpenSum(id, sum);
  const show = useSum((state) => state.show);
  const open = (target: HTMLElement) => {
    const made = sum();
    if (made) show(made, id, target);
  };
  return (
    <button
      type="button"
      data-sum
      title="Show the calculation (s)"
      onClick={(event) => open(event.currentTarget)}
      className={`hover:decoration-action cursor-pointer [text-align:inherit] decoration-transparent underline decoration-1 underline-offset-4 ${className}`}
    >
      <span className="sr-only">{name}: </span>
      {children}
    </button>
  );
}

/** While a figure's sum is open it follows the values: a sum of yesterday's figures is no evidence for today's. */
function useOpenSum(id: string, sum: () => Sum | null): void {
  const isOpen = useSum(({ owner }) => owner === id);
  const renew = useSum((state) => state.renew);
  useEffect(() => {
    if (!isOpen) return;
    const made = sum();
    if (JSON.stringify(made) !== JSON.stringify(useSum.getState().sum)) renew(made);
  });
  useEffect(
    () => () => {
      if (useSum.getState().owner === id) renew(null);
    },
    [id, renew],
  );
}
