import { useKeeping } from '../api/keeping.ts';
import { useQueue } from '../api/queue.ts';

/** Says what the server does not have yet. Silent while all is well. */
export function UnsentNotice() {
  const items = useQueue((state) => state.items);
  const reachable = useQueue((state) => state.reachable);
  const keeps = useKeeping();
  const waiting = items.filter(({ refused }) => refused === null).length;
  const words = reachable
    ? waiting > 3
      ? `sending ${waiting}`
      : ''
    : `Server away: ${waiting} ${waiting === 1 ? 'entry' : 'entries'} unsent, ${keeps.queue ? 'kept here' : 'NOT kept: leave this page open'}`;
  const lost = keeps.drafts
    ? ''
    : 'This browser keeps nothing: what is typed is lost if the page closes before it is sent.';
  return (
    <p
      role="status"
      className={`label ${reachable && keeps.drafts ? 'text-second' : 'text-tight font-semibold'}`}
      data-testid="unsent"
    >
      {[words, lost].filter(Boolean).join(' ')}
    </p>
  );
}
