import { Link } from 'react-router';
import { footingOf } from '#core/kinds/classes/index.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';

/** Machines that are ridden are mostly set by sag: who is on while it is read comes before any figure. */
export function RiderOn() {
  const { document } = useThisJob().record;
  if (footingOf(document.machine.class) === 'wheels') return null;
  return (
    <div className="border-action bg-wash/40 mt-4 flex flex-wrap items-center justify-between gap-3 border-l-4 px-4 py-3">
      <p>
        <b>Is a rider on while you read it?</b>{' '}
        <span className="text-second">Heights on this page are read with nobody on.</span>
      </p>
      <Link
        to={`/sag?class=${document.machine.class}`}
        className="border-action text-action flex min-h-11 items-center border px-4 font-semibold"
      >
        Rider on: set sag
      </Link>
    </div>
  );
}
