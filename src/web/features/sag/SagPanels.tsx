import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { lazy, Suspense } from 'react';
import { footingOf } from '#core/kinds/classes/index.ts';
import { sagWish, setEnds } from '#core/document/sagWish.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { Panel } from '../sheet/Panel.tsx';
import { SkidSettings } from '../ride/SkidSettings.tsx';
import { Attitude } from './Attitude.tsx';
import { FittedRows } from './FittedRows.tsx';
import { Lowering } from './Lowering.tsx';
import { SledConditions } from '../ride/SledConditions.tsx';
import { WindowRows } from './WindowRows.tsx';
import { WorthReading } from './WorthReading.tsx';

const RiderBook = lazy(async () => ({ default: (await import('./RiderBook.tsx')).RiderBook }));
const PreloadFigure = lazy(async () => ({ default: (await import('./PreloadFigure.tsx')).PreloadFigure }));
const SledLadder = lazy(async () => ({ default: (await import('../ride/SledLadder.tsx')).SledLadder }));

interface Props {
  ends: SagEnd[];
  /** Not a job yet: nothing that needs one is offered. */
  fresh: boolean;
}

/** What stands under the readings of the bench, each under its title. */
export function SagPanels({ ends, fresh }: Props) {
  const job = useThisJob();
  const { document } = job.record;
  return (
    <div className="mx-4 mt-1 print:hidden">
      {job.answer && <WorthReading answer={job.answer} />}
      <Panel title="What is fitted" words="travel, ratio, adjuster, spring: what is not given is assumed">
        <FittedRows />
      </Panel>
      <Panel
        title="Windows"
        words="what counts as right, at each end"
        open={setEnds(document).every((id) => sagWish(document, id) === null)}
      >
        <WindowRows />
      </Panel>
      {job.answer && ends.length > 0 && <Known answer={job.answer} ends={ends} fresh={fresh} />}
      {footingOf(document.machine.class) === 'bikes' && (
        <Panel title="Lower or higher" words="by other links, both ends alike">
          <Lowering />
        </Panel>
      )}
      {footingOf(document.machine.class) === 'sleds' && (
        <>
          <Panel title="What shifts its sag" words="track, snow inside, a dry floor">
            <SledConditions />
          </Panel>
          <Panel
            title="Balance, step by step"
            words="pushing, darting, diving, rolling: one change at a time"
          >
            <Suspense fallback={<p className="text-second">Reading …</p>}>
              <SledLadder />
              <SkidSettings />
            </Suspense>
          </Panel>
        </>
      )}
    </div>
  );
}

/** What can be told once something was read. */
function Known({ answer, ends, fresh }: Props & { answer: Answer }) {
  return (
    <>
      <Panel title="Front and rear together" words="balance and attitude, ridden">
        <Attitude answer={answer} ends={ends} />
      </Panel>
      <Panel title="Book of riders" words="the same machine for other riders, two up, with luggage">
        <Suspense fallback={<p className="text-second">Calculating …</p>}>
          <RiderBook answer={answer} fresh={fresh} />
        </Suspense>
      </Panel>
      <Panel title="Why preload is not stiffness" words="with this machine’s own numbers">
        <Suspense fallback={<p className="text-second">Drawing …</p>}>
          <PreloadFigure answer={answer} ends={ends} />
        </Suspense>
      </Panel>
    </>
  );
}
