import { hardEndOf } from '#core/job/fitting.ts';
import { firstToTurn } from '#core/job/nextAction.ts';
import type { Answer } from '#core/plan/answer.ts';
import { scalesWanted, type CornerAnswer } from '#core/plan/cornerAnswer.ts';
import { cornersIn, cornerNames } from '#core/machine/body.ts';
import { chanceSum, crossSum, heightNowSum, predictedSum } from '#core/sums/cornerSums.ts';
import { Link } from 'react-router';
import { padAfterSum, padsAround } from '#core/sums/scaleSums.ts';
import { Mass } from '../../ui/Measure.tsx';
import { useSampledPlan } from '../../features/job/useSampledPlan.ts';
import type { Job } from '../../features/job/useJob.ts';
import { SumFigure } from '../../features/sums/SumFigure.tsx';
import { Length } from '../../ui/Figure.tsx';
import { CornerGrid } from './CornerGrid.tsx';
import { Footer, NextLink } from './Footer.tsx';
import { Move } from './PlannedMove.tsx';
import { PenBoxes } from './PenBoxes.tsx';
import { PlanChoices } from './PlanChoices.tsx';
import { SideChoice } from './SideChoice.tsx';
import { StartTurning } from './StartTurning.tsx';

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
        {answer ? <StartTurning job={job} answer={answer} from="plan" /> : <NextLink job={job} from="plan" />}
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
      <WeightLine corner={corner} answer={answer} />
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

/** Weight on the wheel now and after, where it was ever weighed on pads. */
function WeightLine({ corner: { id }, answer }: { corner: CornerAnswer; answer: Answer }) {
  if (!answer.state.rounds.some(({ pads }) => pads[id])) return null;
  const { nowKg, afterKg } = padsAround(answer, id);
  return (
    <p className="text-second" data-testid={`weight-${id}`}>
      <SumFigure name={`Weight after the plan, ${cornerNames[id]}`} sum={() => padAfterSum(answer, id)}>
        <Mass kg={nowKg} decimals={1} /> → <Mass kg={afterKg} decimals={1} />
      </SumFigure>
    </p>
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
            ? `Start ${cornerNames[first]}: ${hardEndOf(answer.document) ? 'the hard end first, and once' : 'it moves most'}.`
            : ''}
        <CrossLine answer={answer} jobId={job.record.id} />
        {isFitted(answer) && !job.state.locked && <SampledLine job={job} />}
      </span>
    </p>
  );
}

/** What is asked of the scales: cross weight, or equal front wheels. */
function CrossLine({ answer, jobId }: { answer: Answer; jobId: string }) {
  const wanted = scalesWanted(answer.cross);
  if (!wanted) return null;
  const { what, now, after, target } = wanted;
  return (
    <span data-testid="cross">
      {' '}
      {what === 'front' ? 'Right front of the front' : 'Cross weight'}{' '}
      <SumFigure name="Weight on the scales" sum={() => crossSum(answer)}>
        {(100 * now).toFixed(1)} → {(100 * after).toFixed(1)} %
      </SumFigure>
      , {(100 * target).toFixed(1)} wanted:{' '}
      <Link to={`/jobs/${jobId}/scales`} className="text-action underline underline-offset-4">
        what it costs
      </Link>
      .
    </span>
  );
}
