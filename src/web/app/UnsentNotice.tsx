import { useKeeping } from '../api/keeping.ts';
import { useQueue, type Held } from '../api/queue.ts';

const heldWords: Record<Held, string> = {
  away: 'Server away',
  silent: 'The server does not answer',
  busy: 'The server is asked too much, it waits a minute',
  older: 'The server is older than this page',
  out: 'This device is not in',
  failing: 'The server cannot keep it at the moment',
};

/** Says what the server does not have yet. Silent while all is well. */
export function UnsentNotice() {
  const items = useQueue((state) => state.items);
  const held = useQueue((state) => state.held);
  const keeps = useKeeping();
  const waiting = items.filter(({ refused }) => refused === null).length;
  const words = !held
    ? waiting > 3
      ? `sending ${waiting}`
      : ''
    : `${heldWords[held]}: ${waiting} ${waiting === 1 ? 'entry' : 'entries'} unsent, ${keeps.queue ? 'kept here' : 'NOT kept: leave this page open'}`;
  const lost = keeps.drafts
    ? ''
    : 'This browser keeps nothing: what is typed is lost if the page closes before it is sent.';
  return (
    <p
      role="status"
      className={`label ${!held && keeps.drafts ? 'text-second' : 'text-tight font-semibold'}`}
      data-testid="unsent"
    >
      {[words, lost].filter(Boolean).join(' ')}
    </p>
  );
}
