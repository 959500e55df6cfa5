import { Asked } from '../finding/Asked.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useMemo, useState } from 'react';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { sagEnds } from '#core/sag/bench.ts';
import { Footer } from '../sheet/Footer.tsx';
import { StartTurning } from '../plan/StartTurning.tsx';
import { EndReadings } from './EndReadings.tsx';
import { EndVerdict } from './EndVerdict.tsx';
import { FirstRider, RiderLine } from './RiderLine.tsx';
import { NextSag } from './NextSag.tsx';
import { SagPanels } from './SagPanels.tsx';
import { SagOutlook } from './SagOutlook.tsx';
import { sagRound } from './sagRound.ts';

/** For machines whose target is sag: read, judged against the windows, turned, judged again; springs, riders, attitude. */
export function SagStage({ fresh = false }: { fresh?: boolean }) {
  const job = useThisJob();
  const { document } = job.record;
  const { answer } = job;
  const ends = useMemo(() => (answer ? sagEnds(answer) : []), [answer]);
  const [asked, setMore] = useState(false);
  const [rider] = document.riders;
  if (!rider) return <FirstRider />;
  const round = sagRound(job);
  // What something was typed into stays in sight.
  const filled = job.facts.some(
    ({ fact }) => fact.kind === 'sag' && fact.round === round && /-(rest|band)-/.test(fact.slot),
  );
  const more = asked || filled;
  return (
    <>
      <RiderLine rider={rider} />
      <NextSag round={round} rider={rider.key} fresh={fresh} />
      <div data-fields className="grid grid-cols-2 gap-x-6 gap-y-5 px-4 pt-3 narrow:grid-cols-1">
        {cornersIn(document).map((id) => (
          <section key={id} aria-labelledby={`end-${id}`} data-corner={id} className="min-w-0">
            <EndReadings id={id} round={round} rider={rider.key} more={more} />
            <EndVerdict id={id} end={ends.find((one) => one.id === id) ?? null} />
          </section>
        ))}
      </div>
      <Asked />
      <label className="label mx-4 mt-2 flex min-h-9 cursor-pointer items-center gap-2 self-start print:hidden">
        <input
          type="checkbox"
          className="accent-action size-4"
          checked={more}
          disabled={filled}
          onChange={(event) => setMore(event.target.checked)}
        />
        other ways to read: as it rests, or by a band on the shaft
      </label>
      <SagPanels ends={ends} fresh={fresh} />
      <Footer>
        {answer && answer.chanceAfter !== null ? (
          <SagOutlook answer={answer} ends={ends} />
        ) : (
          <p className="text-second">
            Read one end fully extended, then pressed and lifted: the first answer stands there.
          </p>
        )}
        {answer && !fresh && <StartTurning answer={answer} from="sag" />}
      </Footer>
    </>
  );
}
