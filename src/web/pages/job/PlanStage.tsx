import { useNavigate } from 'react-router';
import { firstToTurn } from '#core/job/nextAction.ts';
import { toldPlan, planFact } from '#core/plan/tell.ts';
import type { Answer } from '#core/plan/answer.ts';
import { isMoved, type CornerAnswer } from '#core/plan/cornerAnswer.ts';
import { cornersIn, cornerNames } from '#core/machine/body.ts';
import {
  chanceSum,
  crossSum,
  heightNowSum,
  predictedSum,
  seatMoveSum,
  stopAtSum,
} from '#core/sums/cornerSums.ts';
import { useSampledPlan } from '../../features/job/useSampledPlan.ts';
import type { Job } from '../../features/job/useJob.ts';
import { SumFigure } from '../../features/sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { OtherMoves, SeatMove } from '../../features/job/MoveWords.tsx';
import { Length } from '../../ui/Figure.tsx';
import { CornerGrid } from './CornerGrid.tsx';
import { Footer, NextLink } from './Footer.tsx';
import { PenBoxes } from './PenBoxes.tsx';
import { PlanChoices } from './PlanChoices.tsx';
import { SideChoice } from './SideChoice.tsx';

/** What to turn, by how much, where to stop, and what it will then measure. */
export function PlanStage({ job }: { job: Job }) {
  const { answer } = job;
  return (
    <>
      <CornerGrid
        job={job}
        showPlan
        corner={(id, corner) =>
          corner && answer ? (
            <Planned corner={corner} answer={answer} />
          ) : (
            <p className="text-second mt-2">No reading yet: {cornerNames[id]}.</p>
          )
        }
      />
      {answer && <PlanChoices job={job} answer={answer} />}
      {answer && answer.chanceAfter !== null && <PrintedOutlook answer={answer} />}
      <Footer>
        {answer && answer.chanceAfter !== null ? (
          <Outlook job={job} answer={answer} />
        ) : (
          <p className="text-second">The plan needs a reading and a target at each corner.</p>
        )}
        <SideChoice job={job} />
        {answer ? <StartTurning job={job} answer={answer} /> : <NextLink job={job} from="plan" />}
      </Footer>
    </>
  );
}

/** The footer does not print: what the paper needs of it. */
function PrintedOutlook({ answer }: { answer: Answer }) {
  return (
    <p className="border-rule mx-4 hidden border-t py-2 print:block">
      Round {answer.state.current + 1}: {Math.round((answer.chanceAfter ?? 0) * 100)} in 100 to be within{' '}
      <Length mm={answer.tolerance.value} />. Settled how: <span className="inline-block w-48 border-b" />
    </p>
  );
}

function Planned({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const name = cornerNames[corner.id];
  return (
    <div>
      <p className="mt-3 text-[34px] leading-9 font-bold max-lg:text-[28px]">
        <SumFigure name={`Height now, ${name}`} sum={() => heightNowSum(corner, answer)}>
          <Length mm={corner.nowMm} decimals={0} />
        </SumFigure>
      </p>
      <p className="text-second">
        <SumFigure name={`Height after, ${name}`} sum={() => predictedSum(corner, answer)}>
          now → <Length mm={corner.predictedMm} decimals={0} bare /> ±{' '}
          <Length mm={2 * corner.predictedSdMm} decimals={0} />
        </SumFigure>
      </p>
      <SagLine corner={corner} answer={answer} />
      <div className="mt-3" data-testid={`move-${corner.id}`}>
        <Move corner={corner} answer={answer} />
      </div>
      <PenBoxes words={['stopped at', 'reads after']} />
    </div>
  );
}

/** Sag now and after, where one is wanted. */
function SagLine({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const { sagMm } = answer.document.corners[corner.id];
  if (sagMm === null) return null;
  return (
    <p className="text-second" data-testid={`sag-${corner.id}`}>
      sag <Length mm={corner.nowSagMm} decimals={0} bare /> → <Length mm={corner.sagMm} decimals={0} bare />,
      for <Length mm={sagMm} decimals={0} />
    </p>
  );
}

function Move({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const { targetMm } = corner.spec;
  if (targetMm === null && answer.document.corners[corner.id].sagMm === null)
    return <p className="text-second font-semibold">no target</p>;
  return (
    <>
      <SeatLines corner={corner} answer={answer} />
      <OtherMoves corner={corner} fitting={answer.document.corners[corner.id].fitting} />
    </>
  );
}

/** The seat, cam or pressure: what to do, then where to stop. */
function SeatLines({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const name = cornerNames[corner.id];
  if (corner.seatMm === 0)
    return (
      <>
        <p className="text-second text-head font-semibold">leave{corner.mountMm !== 0 && ' the seat'}</p>
        {corner.collarMm !== null && (
          <p>
            reads <Length mm={corner.collarMm} />
          </p>
        )}
      </>
    );
  return (
    <>
      <p className="text-action text-head font-semibold">
        <SumFigure name={`Seat move, ${name}`} sum={() => seatMoveSum(corner, answer)}>
          <SeatMove
            turns={corner.turns}
            steps={corner.steps}
            fitting={answer.document.corners[corner.id].fitting}
            cam={corner.cam?.after ?? null}
            airBar={corner.airBar?.after ?? null}
          />
        </SumFigure>
      </p>
      <p className="font-medium">
        {corner.cam || corner.airBar ? null : corner.stopAtMm === null ? (
          <>
            <Length mm={Math.abs(corner.seatMm)} /> of seat
          </>
        ) : (
          <SumFigure name={`Stop at, ${name}`} sum={() => stopAtSum(corner)}>
            stop at <Length mm={corner.stopAtMm} />
          </SumFigure>
        )}
      </p>
      {corner.stopAtMm !== null && (
        <p className="label text-second">
          <Length mm={Math.abs(corner.seatMm)} /> of seat
        </p>
      )}
    </>
  );
}

/** Whether the springs are named: machines drawn on guessed springs would say nothing. */
function isFitted({ corners, machine }: Answer): boolean {
  return corners.every(({ id }) => machine.sources[id].springs !== 'assumed');
}

/** The chance again, from machines drawn and brought to rest by the full model; worked out beside the page. */
function SampledLine({ job }: { job: Job }) {
  const { result, done } = useSampledPlan(job.record);
  if (result)
    return (
      <span data-testid="sampled">
        {' '}
        Tried on {result.count} machines that the readings allow:{' '}
        {Math.round((100 * result.landed) / result.count)} in 100 land.
      </span>
    );
  return done === null ? null : <span> Trying it: {done} machines so far.</span>;
}

function Outlook({ job, answer }: { job: Job; answer: Answer }) {
  const first = firstToTurn(answer);
  const missing = cornersIn(job.record.document).filter(
    (id) => !answer.corners.some((corner) => corner.id === id),
  );
  return (
    // Beside the choice and the button it takes what is left, however long it gets.
    <p className="min-w-[250px] flex-1">
      <b>
        <SumFigure name="Chance of landing in tolerance" sum={() => chanceSum(answer, 'after')}>
          <span className="figures">{Math.round((answer.chanceAfter ?? 0) * 100)}</span> in 100 to be within{' '}
          <Length mm={answer.tolerance.value} /> after this round.
        </SumFigure>
      </b>
      <span className="text-second label block">
        {missing.length > 0
          ? `Not measured: ${missing.map((id) => cornerNames[id]).join(', ')}; each is taken to move as its twin.`
          : first && !job.state.turning
            ? `Start ${cornerNames[first]}: ${answer.document.hardEnd ? 'the hard end first, and once' : 'it moves most'}.`
            : ''}
        <CrossLine answer={answer} />
        {isFitted(answer) && !job.state.locked && <SampledLine job={job} />}
      </span>
    </p>
  );
}

/** Cross weight, where somebody asked for one. */
function CrossLine({ answer }: { answer: Answer }) {
  const { cross } = answer;
  if (!cross || cross.target === null) return null;
  return (
    <span data-testid="cross">
      {' '}
      Cross weight{' '}
      <SumFigure name="Cross weight" sum={() => crossSum(answer)}>
        {(100 * cross.now).toFixed(1)} → {(100 * cross.after).toFixed(1)} %
      </SumFigure>
      , {(100 * cross.target).toFixed(1)} wanted.
    </span>
  );
}

function StartTurning({ job, answer }: { job: Job; answer: Answer }) {
  const navigate = useNavigate();
  const { turning } = job.state;
  const stale = turning !== null && JSON.stringify(toldPlan(answer)) !== JSON.stringify(turning.told);
  const untouched = turning !== null && !turning.begun;
  const moving = answer.corners.some(isMoved);
  const go = (tell: boolean) => {
    if (tell) job.actions.record(`Plan told, round ${answer.state.current + 1}`, planFact(answer));
    void navigate(`/jobs/${job.record.id}/turn`);
  };
  if (job.state.locked) return <NextLink job={job} from="plan" />;
  if (!moving && !turning) return <p className="ml-auto font-semibold">Nothing to turn: leave everything.</p>;
  if (turning && !(stale && untouched))
    return (
      <Button look="main" className="ml-auto" onClick={() => go(false)}>
        Go on turning
      </Button>
    );
  return (
    <Button look="main" className="ml-auto" onClick={() => go(true)} disabled={answer.chanceAfter === null}>
      {turning ? 'Turn by this new plan' : 'Start turning'}
    </Button>
  );
}
