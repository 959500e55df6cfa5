import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import type { Away } from '#contract/api.ts';
import { duplicateJob } from '../job/jobFiles.ts';
import type { Mover } from './useMover.ts';

const item =
  'data-[highlighted]:bg-wash flex min-h-10 cursor-pointer items-center px-4 outline-none select-none';

interface Props {
  job: { id: string; name: string; next: { stage: string } };
  /** Where the job is now. */
  away: Away | null;
  mover: Mover;
}

/** What can be done with a whole job: its details, a copy, out of the way, back. */
export function JobMenu({ job, away, mover }: Props) {
  const navigate = useNavigate();
  const copy = () =>
    mover.attempt(async () => {
      const id = await duplicateJob(job.id);
      await navigate(`/jobs/${id}/${job.next.stage}?about`);
    });
  const to = (next: Away | null) => () => mover.move(job, away, next);
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`More for ${job.name}`}
        className="hover:bg-wash flex size-11 items-center justify-center"
      >
        <MoreHorizontal size={20} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="bg-sheet border-ink z-30 min-w-44 border py-1">
          <DropdownMenu.Item
            className={item}
            onSelect={() => void navigate(`/jobs/${job.id}/${job.next.stage}?about`)}
          >
            Rename, details
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={copy}>
            Duplicate
          </DropdownMenu.Item>
          {away !== null && (
            <DropdownMenu.Item className={item} onSelect={to(null)}>
              Put back
            </DropdownMenu.Item>
          )}
          {away !== 'archived' && (
            <DropdownMenu.Item className={item} onSelect={to('archived')}>
              Archive
            </DropdownMenu.Item>
          )}
          {away !== 'deleted' && (
            <DropdownMenu.Item className={`${item} text-short`} onSelect={to('deleted')}>
              Delete
            </DropdownMenu.Item>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
