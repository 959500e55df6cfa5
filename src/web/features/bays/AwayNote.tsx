import type { Away } from '#contract/api.ts';
import { useAway } from '../../api/jobs.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { useMover } from './useMover.ts';

const words: Record<Away, string> = {
  archived: 'This job is archived: it is not in the list.',
  deleted: 'This job is deleted. It is kept until you put it back.',
};

/** Says that a job is out of the way, and puts it back. Silent for one that is not. */
export function AwayNote() {
  const { id, document } = useThisJob().record;
  const away = useAway(id);
  const { failed, move } = useMover();
  return (
    <div role="status" className="empty:hidden print:hidden">
      {away && away !== 'practice' && (
        <p className="border-action bg-wash/40 flex flex-wrap items-center gap-x-4 border-l-4 px-4 py-1">
          {words[away]}
          <Button look="quiet" onClick={() => move({ id, name: document.name }, away, null)}>
            Put it back
          </Button>
          {failed && <span className="text-short font-semibold">{failed}</span>}
        </p>
      )}
    </div>
  );
}
