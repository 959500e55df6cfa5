import { useCallback, useEffect, useRef, useState } from 'react';
import { isSameWhich } from '#core/document/which.ts';
import { worstOfEachKind, type Margin } from '#core/margins/margins.ts';

/** Whether two margins are of the same thing, at whatever plan. */
const isSame = (a: Margin, b: Margin): boolean =>
  a.kind === b.kind && a.corner === b.corner && isSameWhich(a.which, b.which) && a.loadCase === b.loadCase;

const seen = (value: number, step: number) => Math.round(value / step);

/** Whether a line of one margin shows the same as that of another. */
export function looksAlike(a: Margin, b: Margin): boolean {
  return (
    isSame(a, b) &&
    a.state === b.state &&
    a.assumed === b.assumed &&
    seen(a.leftMm, 0.05) === seen(b.leftMm, 0.05) &&
    seen(a.turns ?? 0, 1 / 16) === seen(b.turns ?? 0, 1 / 16) &&
    seen(a.share, 0.005) === seen(b.share, 0.005)
  );
}

/**
 * The margins to show: the smallest of each kind that is short, low or rests on a guess, or all of them. What is well and
 * known is counted in `fine`; what is short or a guess never folds away.
 */
export function useMarginRows(margins: readonly Margin[]) {
  const [all, setAll] = useState(false);
  const worst = worstOfEachKind(margins);
  const rows = all ? margins : worst.filter(({ state, assumed }) => state !== 'clear' || assumed);
  const now = useRef(margins);
  useEffect(() => {
    now.current = margins;
  }, [margins]);
  /** The same margin as it is when its sum is asked for. */
  const latest = useCallback(
    (margin: Margin) => now.current.find((one) => isSame(one, margin)) ?? margin,
    [],
  );
  return { rows, fine: worst.length - rows.length, all, setAll, latest };
}
