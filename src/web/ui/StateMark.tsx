import type { MarginState } from '#core/margins/margins.ts';

export const stateTone: Record<MarginState, string> = {
  clear: 'text-ink',
  tight: 'text-tight',
  short: 'text-short',
};

/** How much is left, in one word. */
export const marginWord: Record<MarginState, string> = { clear: 'ok', tight: 'low', short: 'out' };

/** The shape of a margin's state: open ring, half ring, solid disc. The word stands beside it. */
export function StateMark({ state, size = 14 }: { state: MarginState; size?: number }) {
  return (
    <svg
      viewBox="0 0 14 14"
      width={size}
      height={size}
      aria-hidden
      className={`shrink-0 ${stateTone[state]}`}
    >
      <circle
        cx="7"
        cy="7"
        r="5.5"
        fill={state === 'short' ? 'currentColor' : 'none'}
        stroke="currentColor"
        strokeWidth="1.5"
      />
      {state === 'tight' && <path d="M7 1.5 A5.5 5.5 0 0 0 7 12.5 Z" fill="currentColor" />}
    </svg>
  );
}
