import { MoreHorizontal } from 'lucide-react';
import type { ComponentProps } from 'react';
import type { Away } from '#contract/api.ts';
import type { Mover } from './useMover.ts';

export interface JobMenuProps {
  job: { id: string; name: string; next: { stage: string } };
  /** Where the job is now. */
  away: Away | null;
  mover: Mover;
}

/** The three dots that open a job's menu. */
export function MoreButton({ name, ...rest }: { name: string } & ComponentProps<'button'>) {
  return (
    <button
      type="button"
      aria-label={`More for ${name}`}
      aria-haspopup="menu"
      className="hover:bg-wash flex size-11 items-center justify-center"
      {...rest}
    >
      <MoreHorizontal size={20} aria-hidden />
    </button>
  );
}
