import { isReadStanding } from '#core/document/sagReadings.ts';
import { unreadOf } from '#core/planning/enough.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { WhyPanel } from '../doubt/WhyPanel.tsx';
import { MeasureAgain } from './MeasureAgain.tsx';
import { Panel } from './Panel.tsx';
import { SomethingFitted } from './SomethingFitted.tsx';

/** Once a round is read and nothing is being turned: it can be read again another day, or something new goes in. */
export function LaterPanel({ round }: { round: number }) {
  const { state, answer } = useThisJob();
  const here = state.rounds[round];
  const read = here && (Object.keys(here.heights).length > 0 || Object.values(here.sag).some(isReadStanding));
  if (!read || state.locked || state.turning || state.current !== round) return null;
  if (!answer || unreadOf(answer).length > 0) return null;
  return (
    <div className="mx-4 print:hidden">
      <Panel title="Why is one corner off?" words="what to look at, and what each would come to here">
        <WhyPanel />
      </Panel>
      <Panel title="Measure it again later" words="after a week, or after a drive, with nothing turned">
        <MeasureAgain />
      </Panel>
      <Panel
        title="Something new goes in"
        words="springs, a kit, a leaf, tyres: it is read again, and believed"
      >
        <SomethingFitted />
      </Panel>
    </div>
  );
}
