import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import type { Away } from '#contract/api.ts';
import { copyToPractice } from '../../api/practice.ts';
import { duplicateJob } from '../job/jobFiles.ts';
import { MoreButton, type JobMenuProps } from './MoreButton.tsx';

const item =
  'data-[highlighted]:bg-wash flex min-h-10 cursor-pointer items-center px-4 outline-none select-none';

/** The menu of a job, drawn open at once: somebody has asked for it. */
export function OpenedJobMenu({ job, away, mover }: JobMenuProps) {
  const navigate = useNavigate();
  const copy = () =>
    mover.attempt(async () => {
      const id = await duplicateJob(job.id);
      await navigate(`/jobs/${id}/${job.next.stage}?about`);
    });
  const practise = () =>
    mover.attempt(async () => {
      const { id } = await copyToPractice(job.id);
      await navigate(`/practice/${id}`);
    });
  const to = (next: Away | null) => () => mover.move(job, away, next);
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger asChild>
        <MoreButton name={job.name} />
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
          <DropdownMenu.Item className={item} onSelect={practise}>
            Practise on a copy
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
