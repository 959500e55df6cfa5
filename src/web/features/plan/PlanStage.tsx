import { whatStops } from '#core/analysis/whatStops.ts';
import { stopWords } from '#words/stopWords.ts';
import { isTurnedNow } from '#core/document/turnedPart.ts';
import { isUntold } from '#core/document/untold.ts';
import { firstToTurn } from '#core/judgement/turningOrder.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { hardEndOf } from '#core/document/fitting.ts';
import { scalesWanted, type CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { chanceSum, crossSum, estimateSum, heightNowSum, predictedSum } from '#words/explain/cornerSums.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { padSpreadKg, scalesSpread } from '#core/scales/padsAround.ts';
import { padFigure } from '#core/figures/padFigure.ts';
import { padAfterSum } from '#words/explain/scaleSums.ts';
import { Mass } from '../../ui/Measure.tsx';
import { useSampledPlan } from '../job/useSampledPlan.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { cornerHeight } from '#core/figures/cornerHeight.ts';
import { cornersCounted, percent } from '#words/figures.ts';
import { useDebounced } from '../../ui/useDebounced.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { heldBackBy } from '#core/planning/heldBack.ts';
import { EstimatedLength, MeasuredLength, PredictedLength } from '../../ui/FigureKinds.tsx';
import { Asked } from '../finding/Asked.tsx';
import { Doubts } from '../doubt/Doubts.tsx';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { RatioLine } from '../ratio/RatioLine.tsx';
import { CornerGrid } from '../sheet/CornerGrid.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { Move } from './PlannedMove.tsx';
import { PenBoxes } from '../sheet/PenBoxes.tsx';
import { PlanChoices } from './PlanChoices.tsx';
import { PartChoice } from '../intake/PartChoice.tsx';
import { SideChoice } from '../intake/SideChoice.tsx';
import { TheRest } from './TheRest.tsx';
import { StartTurning } from './StartTurning.tsx';

/** What to turn, by how much, where to stop, and what it will then measure. */
export function PlanStage() {
  const job = useThisJob();
  const { answer } = job;
  return (
    <>
      <Doubts />
      <Asked />
      <TheRest />
      <CornerGrid
        showPlan
        corner={(id, corner) =>
          corner && answer ? <Planned corner={corner} answer={answer} /> : <Unread id={id} answer={answer} />
        }
      />
      {answer && <PlanChoices answer={answer} />}
      {answer && answer.chanceAfter !== null && <PrintedOutlook answer={answer} />}
      <Footer>
        {answer && answer.chanceAfter !== null ? (
          <Outlook answer={answer} />
        ) : (
          <p className="text-second">The plan needs a reading and a target at each corner.</p>
        )}
        <PartChoice />
        <SideChoice />
        {answer ? <StartTurning answer={answer} from="plan" /> : <NextLink from="plan" />}
      </Footer>
    </>
  );
}

/** The footer does not print: what the paper needs of it. */
function PrintedOutlook({ answer }: { answer: Answer }) {
  return (
    <p className="border-rule mx-4 hidden border-t py-2 print:block">
      Round {answer.state.current + 1}: {percent(answer.chanceAfter ?? 0)} chance that all are within ±{' '}
      <SizeLength mm={answer.tolerance.value} />. Settled how: <span className="inline-block w-48 border-b" />
    </p>
  );
}

function Planned({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  return (
    <div>
      <div className="mt-1" data-testid={`move-${corner.id}`}>
        <Move corner={corner} answer={answer} />
      </div>
      <div className="mt-3">
        <Heights corner={corner} answer={answer} />
      </div>
      <SagLine corner={corner} answer={answer} />
      <WeightLine corner={corner} answer={answer} />
      <PenBoxes words={['stopped at', 'reads after']} />
    </div>
  );
}

/** What was measured, what the plan makes of it, and what is wanted: each as the kind of number it is. */
function Heights({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const name = cornerNames[corner.id];
  const { measured, predicted, estimated, differs, target } = cornerHeight(answer, corner.id);
  const moves = Math.abs(corner.riseMm) >= 0.5;
  return (
    <>
      <p>
        {measured ? (
          <SumFigure name={`Measured height, ${name}`} sum={() => heightNowSum(corner, answer)}>
            <MeasuredLength figure={measured} className="text-head" />
          </SumFigure>
        ) : (
          <span className="text-second font-semibold">not measured yet in this round</span>
        )}
      </p>
      {!measured && predicted && (
        <p>
          <PredictedLength figure={predicted} />
        </p>
      )}
      {estimated && differs && (
        <p className="text-second">
          <SumFigure name={`Estimated height, ${name}`} sum={() => estimateSum(corner, answer)}>
            <EstimatedLength
              figure={estimated}
              note={heldBackBy(answer.doubt, answer.state) ? 'by the other readings' : 'planned from this'}
            />
          </SumFigure>
        </p>
      )}
      <p>
        {moves && (
          <SumFigure name={`Height after, ${name}`} sum={() => predictedSum(corner, answer)}>
            <PredictedLength figure={{ value: corner.predictedMm, sd: corner.predictedSdMm }} />
          </SumFigure>
        )}{' '}
        {target && (
          <span className="text-second inline-block">
            target <Length mm={target.value} />
            <AskedFor id={corner.id} targetMm={target.value} />
          </span>
        )}
        <ForLater id={corner.id} />
      </p>
    </>
  );
}

/** The target as the owner gave it, where something else decides. */
function AskedFor({ id, targetMm }: { id: CornerId; targetMm: number }) {
  const { record, margins } = useThisJob();
  const { targetMm: askedMm, asFar } = record.document.corners[id];
  const stop = whatStops(margins, id);
  if (asFar && asFar.targetMm === askedMm)
    return (
      <>
        , as {asFar.way === 'highest' ? 'high' : 'low'} as it goes
        {stop && `: ${stopWords[stop]}`}
      </>
    );
  if (askedMm === null || askedMm === targetMm) return null;
  return (
    <>
      , asked for <Length mm={askedMm} />
    </>
  );
}

/** The target of a corner that is only watched for now. */
function ForLater({ id }: { id: CornerId }) {
  const { document } = useThisJob().record;
  const { targetMm } = document.corners[id];
  if (targetMm === null || isTurnedNow(document, id)) return null;
  return (
    <span className="text-second inline-block">
      target for later <Length mm={targetMm} />
    </span>
  );
}

/** A corner nobody has read: what it is told all the same, with the reason. */
function Unread({ id, answer }: { id: CornerId; answer: Answer | null }) {
  const move = answer?.unread.find((one) => one.id === id);
  if (!answer || !move) return <p className="text-second mt-2">Not measured, and nothing is turned here.</p>;
  return (
    <div className="mt-1" data-testid={`move-${id}`}>
      <Move corner={move} answer={answer} />
      <p className="text-second mt-3">not measured: moves like the other side</p>
    </div>
  );
}

/** Sag now and after, where one is wanted. */
function SagLine({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const { sagMm } = answer.document.corners[corner.id];
  if (sagMm === null) return null;
  return (
    <p className="text-second" data-testid={`sag-${corner.id}`}>
      sag ≈ <Length mm={corner.nowSagMm} decimals={0} bare /> estimated →{' '}
      <span className="whitespace-nowrap">
        <Length mm={corner.sagMm} decimals={0} bare /> ± <SizeLength mm={corner.sagSdMm} />
      </span>{' '}
      predicted, for <Length mm={sagMm} decimals={0} />
    </p>
  );
}

/** Weight on the wheel now and after, where it was ever weighed on pads. */
function WeightLine({ corner: { id }, answer }: { corner: CornerAnswer; answer: Answer }) {
  const stood = useDebounced(answer);
  if (!answer.state.rounds.some(({ pads }) => pads[id])) return null;
  const { measured, estimatedKg, predictedKg } = padFigure(answer, id);
  return (
    <p className="text-second" data-testid={`weight-${id}`}>
      <SumFigure name={`Weight after the plan, ${cornerNames[id]}`} sum={() => padAfterSum(answer, id)}>
        {measured ? '' : '≈ '}
        <Mass kg={measured?.value ?? estimatedKg} decimals={1} />{' '}
        <span className="label">{measured ? 'measured' : 'estimated'}</span> →{' '}
        <Mass kg={predictedKg} sd={padSpreadKg(stood, id)} decimals={1} />{' '}
        <span className="label">predicted</span>
      </SumFigure>
    </p>
  );
}

/** Whether the springs are named: machines drawn on guessed springs would say nothing. */
function isFitted({ corners, machine }: Answer): boolean {
  return corners.every(({ id }) => machine.sources[id].springs !== 'assumed');
}

/** The chance again, from machines drawn and brought to rest by the full model; worked out beside the page. */
function SampledLine() {
  const job = useThisJob();
  const { result, done, failed } = useSampledPlan(job.record);
  if (failed !== null) return <span> It could not be tried on simulated machines in this browser.</span>;
  if (result)
    return (
      <span data-testid="sampled">
        {' '}
        Tried on {result.count} machines that fit the readings: {percent(result.landed / result.count)} end in
        tolerance, if the readings are right.
      </span>
    );
  return done === null ? null : <span> Tried on {done} machines so far.</span>;
}

function Outlook({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const first = firstToTurn(answer);
  // A corner that nobody has read has no part in it.
  const wanted = answer.corners.filter(({ id }) => !isUntold(answer.document, id)).length;
  const missing = cornersIn(job.record.document).filter(
    (id) => !answer.corners.some((corner) => corner.id === id),
  );
  return (
    // Beside the choice and the button it takes what is left, however long it gets.
    <p className="min-w-[250px] flex-1">
      <b>
        <SumFigure name="Chance in tolerance" sum={() => chanceSum(answer, 'after')}>
          <span className="figures" data-testid="chance">
            {percent(answer.chanceAfter ?? 0)}
          </span>{' '}
          chance that {cornersCounted(wanted)} {wanted === 1 ? 'is' : 'are'} within{' '}
          <span className="whitespace-nowrap">
            ± <SizeLength mm={answer.tolerance.value} />
            {answer.tolerance.source === 'assumed' && <AssumedMark />}
          </span>
        </SumFigure>
      </b>
      <span className="text-second label block">
        {missing.length > 0
          ? `Not measured: ${missing.map((id) => cornerNames[id]).join(', ')}.`
          : first && !job.state.turning
            ? `Start ${cornerNames[first]}: ${hardEndOf(answer.document) ? 'the hard end first, and once' : 'that end moves most'}.`
            : ''}
        <CrossLine answer={answer} jobId={job.record.id} />
        <RatioLine answer={answer} />
        {isFitted(answer) && !job.state.locked && <SampledLine />}
      </span>
    </p>
  );
}

/** What is asked of the scales: cross weight, or equal front wheels. */
function CrossLine({ answer, jobId }: { answer: Answer; jobId: string }) {
  const wanted = scalesWanted(answer.cross);
  // While a seat is dragged its weight follows every frame; how sure that is comes once the seat stands.
  const stood = useDebounced(answer);
  const spread = useMemo(() => {
    const asked = scalesWanted(stood.cross);
    return asked ? scalesSpread(stood, asked.what) : 0;
  }, [stood]);
  if (!wanted) return null;
  const { what, now, after, target } = wanted;
  return (
    <span data-testid="cross">
      {' '}
      {what === 'front' ? 'Right front of the front' : 'Cross weight'}{' '}
      <SumFigure name="Weight on the scales" sum={() => crossSum(answer)}>
        ≈ {(100 * now).toFixed(1)} → {(100 * after).toFixed(1)} ± {(100 * spread).toFixed(1)} % predicted
      </SumFigure>
      , {(100 * target).toFixed(1)} wanted:{' '}
      <Link to={`/jobs/${jobId}/scales`} className="text-action underline underline-offset-4">
        what it costs
      </Link>
      .
    </span>
  );
}
