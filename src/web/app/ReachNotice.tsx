import { format } from 'date-fns';
import { useQueue } from '../api/queue.ts';
import { useReach } from '../api/reach.ts';
import { Button } from '../ui/Button.tsx';

/** Says that the server is out of touch, or that there is a newer Margin. Silent while all is well. */
export function ReachNotice() {
  const { awaySince, outdated, renew } = useReach();
  // Where something waits to be sent, that says it.
  const held = useQueue((state) => state.held !== null);
  if (outdated)
    return (
      <p role="alert" className="text-short label font-semibold">
        The server is of a newer Margin.{' '}
        <Button look="quiet" onClick={renew ?? (() => window.location.reload())}>
          Load it
        </Button>
      </p>
    );
  return (
    <>
      {awaySince !== null && !held && (
        <p role="status" className="label text-tight font-semibold">
          Out of touch since {format(awaySince, 'HH:mm')}: shown as of then
        </p>
      )}
      {renew && (
        <p role="status" className="label">
          A newer Margin is here.{' '}
          <Button look="quiet" onClick={renew}>
            Use it now
          </Button>
        </p>
      )}
    </>
  );
}
