import type { Away } from '#contract/api.ts';
import { Button } from '../../ui/Button.tsx';
import type { Mover } from './useMover.ts';

const words: Record<Away | 'list', string> = {
  archived: 'is archived',
  deleted: 'is deleted',
  list: 'is back in the list',
};

/** What was just done with a job, and the way back; or why it was not. */
export function MovedNote({ mover: { moved, failed, undo } }: { mover: Mover }) {
  return (
    <div role="status" className="empty:hidden">
      {failed && <p className="text-short mt-3 font-semibold">{failed}</p>}
      {moved && (
        <p className="border-action bg-wash/40 mt-3 flex flex-wrap items-center gap-x-4 border-l-4 px-4 py-1">
          <span>
            <b>{moved.name}</b> {words[moved.to ?? 'list']}.
          </span>
          <Button look="quiet" onClick={undo}>
            Undo
          </Button>
        </p>
      )}
    </div>
  );
}
