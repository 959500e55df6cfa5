import { Link } from 'react-router';
import { Length } from '../../ui/Figure.tsx';
import { filledIn } from '#words/filledIn.ts';
import { useSay } from '../../ui/settings.ts';
import { ringSchools } from '#words/ringSchools.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { capital } from '../../ui/words.ts';
import { CutOpenPanel } from '../sheet/CutOpenPanel.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { RingsAsRead } from './RingsAsRead.tsx';
import { RingsByPlace } from './RingsByPlace.tsx';
import { RingTable } from './RingTable.tsx';
import { RingTrades } from './RingTrades.tsx';
import { Squat } from './Squat.tsx';

/** Crossover rings once the heights are in: where each is to stand, and the block that proves it. */
export function RingsStage() {
  const job = useThisJob();
  const { answer } = job;
  const ringed = answer?.corners.filter(({ rings }) => rings.length > 0) ?? [];
  if (!answer)
    return (
      <div className="p-6">
        <p>Rings are set once the heights are read.</p>
        <div className="mt-4 flex">
          <NextLink from="rings" />
        </div>
      </div>
    );
  return (
    <div className="flex flex-1 flex-col">
      <div className="px-4 pt-4">
        <h2 className="text-head font-semibold">Rings follow the seats, then they are set</h2>
        <p className="text-second mt-1 max-w-[70ch]">
          The gap is from slider to ring,{' '}
          {job.record.document.ringReading.hanging
            ? 'with the wheels hanging'
            : 'at ride height, weight on the wheels'}
          . Cut a block of that length: it just goes in. A spring that bows or rubs: turn it until the ends of
          its coils lie opposite those of the next.
        </p>
      </div>
      {ringed.length > 0 && <RingTable answer={answer} ringed={ringed} />}
      <RingsAsRead />
      <div className="px-4">
        <RingsByPlace />
        <Panel title="What gap is right" words="three ways to say it, and what each is good for">
          <Schools />
        </Panel>
      </div>
      {ringed.length > 0 ? (
        <>
          <RingTrades answer={answer} ringed={ringed} />
          <Squat answer={answer} />
          <CutOpenPanel answer={answer} open />
        </>
      ) : (
        <p className="text-second px-4">
          With both spring rates under{' '}
          <Link
            to={`/jobs/${job.record.id}/intake`}
            className="text-action font-semibold underline underline-offset-4"
          >
            Intake, Springs and weights
          </Link>{' '}
          it also tells where a ring takes over and what that trades.
        </p>
      )}
      <div className="flex-1" />
      <Footer>
        <p className="text-second">
          Change a ring by about <Length mm={10} decimals={0} /> at a time, ride, and note it.
        </p>
        <NextLink from="rings" />
      </Footer>
    </div>
  );
}

function Schools() {
  const say = useSay(0);
  return (
    <ul className="label text-second">
      <li>A smaller gap brings the final rate earlier: more resistance to bottoming, less comfort.</li>
      {ringSchools.map(({ id, title, why }) => (
        <li key={id}>
          <b className="text-ink">{capital(title)}</b>: {filledIn(why, say)}.
        </li>
      ))}
    </ul>
  );
}
