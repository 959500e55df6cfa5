import { Link, useParams } from 'react-router';
import { useJobRecord } from '../api/jobs.ts';
import { Bay } from '../features/turn/Bay.tsx';

/** One bay on the whole screen. */
export function BayPage() {
  const { id = '' } = useParams();
  const { record } = useJobRecord(id);
  return (
    <main className="flex min-h-screen flex-col p-6 max-md:p-4">
      <title>{`${record?.document.name ?? 'Bay'}, bay · Margin`}</title>
      <Bay id={id}>
        <Link
          to={`/bays?left=${id}`}
          className="border-ink/60 flex min-h-11 items-center border px-4 font-semibold max-lg:hidden"
        >
          A second bay beside it
        </Link>
      </Bay>
    </main>
  );
}
