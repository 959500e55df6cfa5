import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { twinOf } from '#core/kinds/corners.ts';

/** Whether left and right seats move alike. */
export function SideChoice() {
  const job = useThisJob();
  if (!cornersIn(job.record.document).some(twinOf)) return null;
  return (
    <label className="flex min-h-9 cursor-pointer items-center gap-1.5">
      <input
        type="checkbox"
        className="accent-action size-4"
        checked={job.record.document.equalSides}
        onChange={(event) =>
          job.actions.change(
            event.target.checked ? 'Seats moved alike left and right' : 'Seats moved corner by corner',
            [['equalSides'], event.target.checked],
          )
        }
      />
      equal left and right
    </label>
  );
}
