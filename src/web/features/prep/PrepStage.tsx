import { useThisJob } from '../../jobStore/jobContext.ts';
import { prepList } from '#words/checks.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { Link } from 'react-router';
import { isRatioGuessed, MeasureRatio } from '../ratio/MeasureRatio.tsx';
import { Asked } from '../finding/Asked.tsx';
import { CheckList } from './CheckList.tsx';
import { PathField } from '../../forms/fields.tsx';
import { FloorPlace } from './FloorPlace.tsx';
import { Pressures } from './Pressures.tsx';
import { FromInstrument } from '../instruments/FromInstrument.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';

/** What to see to before the tape comes out; anything may be skipped, and then counts for what it costs. */
export function PrepStage() {
  const job = useThisJob();
  const { document } = job.record;
  return (
    <div className="flex flex-1 flex-col">
      <Asked />
      <div className="px-4 py-4">
        <h2 className="text-head font-semibold">Before anything is measured</h2>
        {footingOf(document.machine.class) !== 'sleds' && <Pressures />}
        <Floor />
        <div className="mt-4">
          <CheckList kind="prep" round={0} items={prepList(document)} />
        </div>
      </div>
      {isRatioGuessed(job) && <MeasureRatio />}
      <div className="flex-1" />
      <FromInstrument />
      <Footer>
        <p className="text-second">A skipped check is recorded and makes the plan less certain.</p>
        <Link
          to={`/jobs/${job.record.id}/paper`}
          className="text-action font-semibold underline underline-offset-4"
        >
          Measuring sheet for a pen
        </Link>
        <NextLink from="prep" />
      </Footer>
    </div>
  );
}

/** A floor that is not level, known once and for all by a water level or a laser. */
function Floor() {
  const job = useThisJob();
  const { document } = job.record;
  return (
    <div data-fields className="relative mt-6">
      <p className="font-medium">
        Floor{' '}
        <span className="label text-second font-normal">
          how much higher it lies under each wheel than the shop’s level; lower is −. Readings are then told
          for level ground.
        </span>
      </p>
      <FloorPlace />
      <div className="mt-2 grid grid-cols-4 gap-x-4 max-md:grid-cols-2">
        {cornersIn(document).map((id) => (
          <PathField
            key={id}
            path={['corners', id, 'floorMm']}
            label={`Floor, ${cornerNames[id]}`}
            showLabel
            order={20 + cornerNumbers[id]}
            placeholder="level"
          />
        ))}
      </div>
    </div>
  );
}
