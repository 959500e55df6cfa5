import { useQueue } from '../api/queue.ts';

/** Says what the server does not have yet. Silent while all is well. */
export function UnsentNotice() {
  const items = useQueue((state) => state.items);
  const reachable = useQueue((state) => state.reachable);
  const waiting = items.filter(({ refused }) => refused === null).length;
  const words = reachable
    ? waiting > 3
      ? `sending ${waiting}`
      : ''
    : `Server away: ${waiting} ${waiting === 1 ? 'entry' : 'entries'} unsent, kept here`;
  return (
    <p
      role="status"
      className={`label ${reachable ? 'text-second' : 'text-tight font-semibold'}`}
      data-testid="unsent"
    >
      {words}
    </p>
  );
}
