import type { CornerId } from '#core/kinds/corners.ts';
import { Link } from 'react-router';
import { useThisJob } from '../../jobStore/jobContext.ts';

/** To the rack, with what this corner or end needs. */
export function FindSprings({ id }: { id: CornerId }) {
  const job = useThisJob();
  return (
    <Link
      to={`/rack/search?job=${job.record.id}&corner=${id}`}
      className="text-action whitespace-nowrap underline underline-offset-4 print:hidden"
    >
      Find springs
    </Link>
  );
}
