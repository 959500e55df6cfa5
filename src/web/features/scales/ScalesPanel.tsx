import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { takenPads } from '#core/scales/balance.ts';
import { standsOnFour } from '#core/kinds/classes/index.ts';
import { Panel } from '../sheet/Panel.tsx';
import { BarsNote } from './BarsNote.tsx';
import { PadTable } from './PadTable.tsx';
import { Standing } from './Standing.tsx';

/** Wheels on pads, read beside the heights; what follows from them is on the Scales stage. */
export function ScalesPanel({ round }: { round: number }) {
  const job = useThisJob();
  if (!standsOnFour(job.record.document.machine.class)) return null;
  const read = job.state.rounds[round]?.pads ?? {};
  return (
    <div className="mx-4 mt-2 print:hidden">
      <Panel title="On the scales" words="weight on each wheel" open={Object.keys(read).length > 0}>
        <div data-fields>
          <PadTable round={round} />
          <BarsNote />
          <Standing pads={takenPads(job.record.document, read)} />
          <p className="mt-2">
            <Link
              to={`/jobs/${job.record.id}/scales`}
              className="text-action font-semibold underline underline-offset-4"
            >
              What each seat does to heights and weights, and what is wanted of them
            </Link>
          </p>
        </div>
      </Panel>
    </div>
  );
}
