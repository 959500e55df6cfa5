import { settlesBy } from '#core/judgement/settlesBy.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { referenceKinds } from '#core/geometry/reference.ts';
import { gainGroups } from '#core/estimate/corner.ts';
import { settledIn } from '#core/book/again.ts';
import { scalesWanted } from '#core/planning/cornerAnswer.ts';
import { tolerances } from '#core/tolerances.ts';
import { measuredBy } from '#core/vision/measuredBy.ts';
import { cornerHeight, hasTaught } from '#core/figures/cornerHeight.ts';
import { heldBackBy } from '#core/planning/heldBack.ts';
import { goodEnough, unreadOf } from '#core/planning/enough.ts';
import { percent } from '#words/figures.ts';
import { restoredSlot } from '#core/document/repeats.ts';
import { meanOf } from '#core/numerics/mean.ts';
import type { ToldCorner } from '#core/document/types.ts';
import { axleOf, cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { bareSize, lengthText } from '#core/units/formatLength.ts';
import type { CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { chanceSum, comparedSum, estimateSum, gainSum, heightNowSum } from '#words/explain/cornerSums.ts';
import { lostSum } from '#words/explain/planSums.ts';
import { useLengthStyle, useSettings, useTell } from '../../ui/settings.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { Asked } from '../finding/Asked.tsx';
import { Doubts } from '../doubt/Doubts.tsx';
import { MeasureRatio } from '../ratio/MeasureRatio.tsx';
import { EstimatedLength, MeasuredLength, PredictedLength } from '../../ui/FigureKinds.tsx';
import { Length, SizeLength, Plain, Turns } from '../../ui/Figure.tsx';
import { AboardNow } from '../aboard/AboardNow.tsx';
import { FittedHere } from '../sheet/FittedHere.tsx';
import { LaterPanel } from '../sheet/LaterPanel.tsx';
import { CutOpenNowPanel } from '../sheet/CutOpenPanel.tsx';
import { CornerGrid } from '../sheet/CornerGrid.tsx';
import { FactField, ranges, useHeightQuestion } from '../../forms/fields.tsx';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { againstPrediction, turnedFurther } from './againstPrediction.ts';
import { DamperPanel } from './DamperPanel.tsx';
import { NextReading } from './NextReading.tsx';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { PhotoSlot } from './PhotoSlot.tsx';
import { FromInstrument } from '../instruments/FromInstrument.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { ScalesPanel } from '../scales/ScalesPanel.tsx';
import { Settled } from './Settled.tsx';

const RoundsChart = lazy(async () => ({
  default: (await import('../../charts/RoundsChart.tsx')).RoundsChart,
}));

const SLOTS = ['1', '2', '3'];

/** Readings as it stands before anything is turned. */
export function BaselineStage() {
  return (
    <>
      <FittedHere round={0} />
      <AboardNow round={0} />
      <NextReading round={0} slots={SLOTS} />
      <CornerGrid
        showPlan={false}
        corner={(id, answer) => <Readings id={id} round={0} answer={answer} told={null} />}
      />
      <Asked />
      <MeasureRatio />
      <DamperPanel round={0} />
      <ScalesPanel round={0} />
      <CutOpenNowPanel />
      <LaterPanel round={0} />
      <FromInstrument />
      <Footer>
        <Settled round={0} />
        <NextLink from="baseline" />
      </Footer>
    </>
  );
}

/** Settle, measure again, compare with what was told, and see what was learnt. */
export function MeasureStage() {
  const job = useThisJob();
  const { state } = job;
  const round = state.turning ? state.current + 1 : state.current;
  const [chart, setChart] = useState(false);
  if (round === 0)
    return (
      <p className="p-6">
        Nothing has been turned yet. Measure the baseline first, then{' '}
        <Link
          className="text-action font-semibold underline underline-offset-4"
          to={`/jobs/${job.record.id}/plan`}
        >
          look at the plan
        </Link>
        .
      </p>
    );
  const told = state.turning?.told ?? state.rounds[round]?.told ?? null;
  return (
    <>
      {state.turning && (
        <p className="text-tight px-4 pt-3">
          Not turned yet: {state.turning.left.map((id) => cornerNames[id]).join(', ')}. Once it is settled or
          read here, they count as left alone.
        </p>
      )}
      <FittedHere round={round} />
      <AboardNow round={round} />
      <Doubts />
      <NextReading round={round} slots={SLOTS} />
      <CornerGrid
        showPlan={false}
        corner={(id, answer) => (
          <Readings id={id} round={round} answer={answer} told={told?.corners[id] ?? null} />
        )}
      />
      <Asked />
      <Learnt>
        <Button
          look="quiet"
          className="whitespace-nowrap"
          onClick={() => setChart(!chart)}
          aria-expanded={chart}
        >
          {chart ? 'Hide the rounds' : 'Draw the rounds'}
        </Button>
      </Learnt>
      {chart && (
        <Suspense fallback={<p className="text-second px-4 pb-3">Drawing …</p>}>
          <RoundsChart />
        </Suspense>
      )}
      <DamperPanel round={round} />
      <ScalesPanel round={round} />
      <CutOpenNowPanel />
      <LaterPanel round={round} />
      <FromInstrument />
      <Footer>
        <Settled round={round} />
        <LeaveToSettle round={round} />
        <Verdict round={round} />
        <NextLink from="measure" />
      </Footer>
    </>
  );
}

interface ReadingsProps {
  id: CornerId;
  round: number;
  answer: CornerAnswer | null;
  told: ToldCorner | null;
}

function Readings({ id, round, answer, told }: ReadingsProps) {
  const job = useThisJob();
  const corner = job.record.document.corners[id];
  const index = cornerNumbers[id];
  const height = (slot: string) => ({ kind: 'height' as const, round, corner: id, slot });
  const ask = useHeightQuestion(job, id, round);
  const here = job.answer ? cornerHeight(job.answer, id, round) : null;
  const isHeld = job.answer !== null && heldBackBy(job.answer.doubt, job.answer.state) !== null;
  return (
    <div>
      <p className="mt-0.5" data-testid={`now-${id}`}>
        {here?.measured && answer && job.answer ? (
          <SumFigure
            name={`Measured height, ${cornerNames[id]}`}
            sum={() => job.answer && heightNowSum(answer, job.answer, round)}
          >
            <MeasuredLength figure={here.measured} />
          </SumFigure>
        ) : (
          <span className="text-second text-head font-semibold">not measured yet</span>
        )}
      </p>
      <Expected id={id} round={round} told={told} />
      {here?.estimated && here.differs && answer && (
        <p className="text-second">
          <SumFigure
            name={`Estimated height, ${cornerNames[id]}`}
            sum={() => job.answer && estimateSum(answer, job.answer)}
          >
            <EstimatedLength
              figure={here.estimated}
              note={isHeld ? 'by the other readings' : 'without friction; planned from this'}
            />
          </SumFigure>
        </p>
      )}
      <p className="label text-second">
        {corner.targetMm === null ? (
          'no target'
        ) : (
          <>
            target <Length mm={corner.targetMm} />
          </>
        )}
      </p>
      <div className="relative mt-2">
        <p className="label text-second">{referenceKinds[corner.reference.kind].title}</p>
        <div className="grid grid-cols-3 gap-x-2">
          {SLOTS.map((slot, i) => (
            <FactField
              key={slot}
              place={height(slot)}
              label={`${capital(cornerNames[id])}, reading ${slot}`}
              order={10 * (i + 1) + index}
              range={ranges.height}
              question={ask(slot)}
              showUnit={false}
              narrow
              placeholder={`${i + 1}.`}
            />
          ))}
        </div>
        <SetAside id={id} round={round} />
        <ByPicture id={id} round={round} />
      </div>
      <CollarAndTravel id={id} round={round} collarMm={answer?.collarMm ?? null} />
      <PhotoSlot jobId={job.record.id} id={id} />
    </div>
  );
}

/** Where a picture of the wheel can tell the height: the way there, and which readings came from pictures. */
function ByPicture({ id, round }: { id: CornerId; round: number }) {
  const job = useThisJob();
  const { kind } = job.record.document.corners[id].reference;
  if (measuredBy[kind] === null) return null;
  const pictured = (job.state.rounds[round]?.heightsPictured[id] ?? []).filter(Boolean).length;
  return (
    <p className="label mt-5 print:hidden">
      <Link
        to={`/jobs/${job.record.id}/picture/${id}`}
        aria-label={`Read it off a picture, ${cornerNames[id]}`}
        className="text-action font-semibold underline underline-offset-4"
      >
        By picture
      </Link>
      {pictured > 0 && <span className="text-second"> {pictured} of them by picture</span>}
    </p>
  );
}

/** What else is read at a corner: where its collar stands, and how much travel the wheel uses. */
function CollarAndTravel({ id, round, collarMm }: { id: CornerId; round: number; collarMm: number | null }) {
  const job = useThisJob();
  const style = useLengthStyle(1);
  return (
    <div className="relative mt-5">
      <div className="grid grid-cols-2 gap-x-2">
        <FactField
          place={{ kind: 'collar', round, corner: id, slot: 'now' }}
          narrow
          label="Collar reads"
          showLabel
          order={40 + cornerNumbers[id]}
          range={ranges.collar}
          {...hint(collarMm, style)}
        />
        {job.record.document.corners[id].second && (
          <FactField
            place={{ kind: 'collar', round, corner: id, slot: 'second' }}
            narrow
            label="Reads from second edge"
            showLabel
            order={45 + cornerNumbers[id]}
            range={ranges.collar}
          />
        )}
        <FactField
          place={{ kind: 'travel-used', round, corner: id, slot: 'now' }}
          narrow
          label="Travel used"
          showLabel
          order={50 + cornerNumbers[id]}
          range={ranges.travelUsed}
        />
      </div>
    </div>
  );
}

/** The single odd reading among several: set aside until somebody counts it all the same, or takes it out. */
function SetAside({ id, round }: { id: CornerId; round: number }) {
  const job = useThisJob();
  const style = useLengthStyle(1);
  const odd = job.state.rounds[round]?.aside[id];
  const restored = job.facts.find(
    ({ fact }) => fact.kind === 'acknowledged' && fact.slot.startsWith(restoredSlot(round, id, '')),
  )?.fact;
  if (restored)
    return (
      <p className="label text-second mt-5" data-testid={`aside-${id}`}>
        An odd reading is used all the same.{' '}
        <AsideButton onClick={() => job.actions.clear('Odd reading set aside again', restored)}>
          Set it aside
        </AsideButton>
      </p>
    );
  if (!odd) return null;
  const place = { kind: 'height' as const, round, corner: id, slot: odd.slot };
  const others = job.state.rounds[round]?.heights[id] ?? [];
  const off = odd.mm - meanOf(others);
  return (
    <p className="label text-tight mt-5" data-testid={`aside-${id}`}>
      Reading {odd.slot} is set aside: <Length mm={odd.mm} />, {lengthText(Math.abs(off), style)}{' '}
      {off > 0 ? 'above' : 'below'} the others.{' '}
      <AsideButton
        onClick={() =>
          job.actions.record('Odd reading counted', {
            kind: 'acknowledged',
            round: 0,
            corner: null,
            slot: restoredSlot(round, id, odd.slot),
            remark: 'counted',
          })
        }
      >
        Count it all the same
      </AsideButton>{' '}
      <AsideButton onClick={() => job.actions.clear('Odd reading deleted', place)}>Delete it</AsideButton>
    </p>
  );
}

function AsideButton({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="text-action min-h-8 font-semibold underline underline-offset-4"
    >
      {children}
    </button>
  );
}

function hint(collarMm: number | null, style: ReturnType<typeof useLengthStyle>): { placeholder?: string } {
  return collarMm === null ? {} : { placeholder: bareSize(collarMm, style.system) };
}

/** Before this round is read, what it should read; afterwards how far the reading is from that. */
function Expected({ id, round, told }: Omit<ReadingsProps, 'answer'>) {
  const job = useThisJob();
  const style = useLengthStyle(0);
  const { answer } = job;
  if (!answer) return null;
  const against = againstPrediction(answer, id, round, told, style);
  if (!against) return null;
  const { predicted } = against;
  if (against.kind === 'awaited')
    return (
      <p data-testid="expected">
        <PredictedLength figure={predicted} />
      </p>
    );
  const { offMm, same, far } = against;
  return (
    <p className="label text-second" data-testid="compared">
      <TurnedOtherwise id={id} round={round} told={told} />
      <SumFigure
        name={`Against the prediction, ${cornerNames[id]}`}
        sum={() => comparedSum(cornerHeight(answer, id, round), cornerNames[id])}
      >
        predicted <Length mm={predicted.value} decimals={0} bare /> ±{' '}
        <SizeLength mm={predicted.sd} decimals={0} />
      </SumFigure>
      <span className={far ? 'text-tight font-semibold' : ''}>
        {' '}
        ·{' '}
        {same ? (
          'as predicted'
        ) : (
          <>
            measured <Length mm={Math.abs(offMm)} /> {offMm > 0 ? 'higher' : 'lower'}
          </>
        )}
      </span>
    </p>
  );
}

/** What was done otherwise than issued: the prediction is for what was done. */
function TurnedOtherwise({ id, round, told }: Omit<ReadingsProps, 'answer'>) {
  const job = useThisJob();
  const doneMm = job.state.rounds[round]?.moves[id] ?? 0;
  const further = turnedFurther(job.record.document, id, told, doneMm);
  if (!further) return null;
  return (
    <span className="text-ink block">
      you turned <Turns turns={further.turns} /> {further.more ? 'more' : 'less'} than issued;{' '}
    </span>
  );
}

function Verdict({ round }: { round: number }) {
  const job = useThisJob();
  const { answer } = job;
  // Nothing is in tolerance from a prediction.
  if (!answer || round !== job.state.current || unreadOf(answer).length > 0 || answer.chanceNow === null)
    return null;
  const chance = percent(answer.chanceNow);
  const done = goodEnough(answer);
  const open = done ? analysisOf(job.record).openPoints.length : 0;
  return (
    <p className="font-semibold" data-testid="verdict" aria-live="polite">
      <SumFigure name="Chance that all are in tolerance now" sum={() => chanceSum(answer, 'now')}>
        {done
          ? `In tolerance, ${chance} chance${open === 0 ? ': finish' : ''}.`
          : `${chance} chance that all are in tolerance.`}
        {answer.tolerance.source === 'assumed' && (
          <>
            {' '}
            ± <SizeLength mm={answer.tolerance.value} />
            <AssumedMark />
          </>
        )}
      </SumFigure>
      {scalesOff(answer)}
      {open > 0 && (
        <>
          {' '}
          <Link to={`/jobs/${job.record.id}/close-out`} className="text-action underline underline-offset-4">
            {open} {open === 1 ? 'point is' : 'points are'} open
          </Link>
          .
        </>
      )}
    </p>
  );
}

/** Heights may be in while the weight is not where it was asked. */
function scalesOff({ cross }: Answer): string | null {
  const wanted = scalesWanted(cross);
  if (!wanted || Math.abs(wanted.now - wanted.target) <= tolerances.crossShare) return null;
  const [now, target] = [wanted.now, wanted.target].map((share) => `${(100 * share).toFixed(1)} %`);
  return wanted.what === 'front'
    ? ` The right front carries ${now ?? ''} of the front, ${target ?? ''} wanted.`
    : ` Cross weight is ${now ?? ''}, ${target ?? ''} wanted.`;
}

/** Standing a little high all round is no fault of springs that have yet to settle: that can be chosen. */
function LeaveToSettle({ round }: { round: number }) {
  const job = useThisJob();
  const { answer } = job;
  const style = useLengthStyle(1);
  if (!answer || job.state.locked || job.record.document.settlingMm !== null) return null;
  const highMm = settlesBy(answer);
  const read = job.state.rounds[round]?.heights ?? {};
  if (highMm === null || cornersIn(job.record.document).some((id) => !read[id])) return null;
  return (
    <Button
      onClick={() =>
        job.actions.change(`Left to settle, ${lengthText(highMm, style)} high`, [['settlingMm'], highMm])
      }
    >
      Leave it to settle: <Length mm={highMm} /> high
    </Button>
  );
}

/** Height that springs have lost on the road. */
function Lost() {
  const job = useThisJob();
  const tell = useTell();
  const lost = job.answer ? Object.entries(settledIn(job.answer)) : [];
  const [first] = lost;
  if (!first) return null;
  return (
    <p data-testid="lost">
      {first[1].km > 0 ? `Lost in ${tell('distance', first[1].km)}` : 'Lost while it stood'}:{' '}
      {lost.map(([id, { lostMm, sdMm }], k) => (
        <span key={id}>
          {k > 0 && ', '}
          {cornerNames[id as CornerId]}{' '}
          <SumFigure
            name={`Lost on the road, ${cornerNames[id as CornerId]}`}
            sum={() => job.answer && lostSum(job.answer, id as CornerId)}
          >
            <b>
              <Length mm={lostMm} />
            </b>{' '}
            ± <SizeLength mm={sdMm} />
          </SumFigure>
        </span>
      ))}
      . Kept with the machine.
    </p>
  );
}

/** What the rounds taught of each axle's ratio: only where it was moved and read since, and only what changed. */
function Learnt({ children }: { children: ReactNode }) {
  const job = useThisJob();
  const { answer } = job;
  const system = useSettings((state) => state.system);
  if (!answer || answer.state.current === 0) return null;
  return (
    <div className="border-rule mx-4 flex items-center justify-between gap-4 border-t py-2">
      <div>
        <Lost />
        <p data-testid="learnt">
          {gainGroups(job.record.document).map((group) => {
            const gain = answer.posterior.gains[group.id];
            if (!gain || !hasTaught(answer, axleOf(group.id))) return null;
            const { prior, now } = gain;
            if (Math.abs(now.mean - prior.mean) < 0.005) return null;
            return (
              <span key={group.id} className="mr-5 inline-block">
                {capital(group.title)}: 1 {system} of seat moves it{' '}
                <SumFigure name={`Wheel per seat, ${group.title}`} sum={() => gainSum(group, answer)}>
                  ≈{' '}
                  <b>
                    <Plain value={now.mean} decimals={2} />
                  </b>{' '}
                  ± <Plain value={now.sd} decimals={2} /> {system}
                </SumFigure>{' '}
                <span className="text-second">
                  (before: <Plain value={prior.mean} decimals={2} /> ± <Plain value={prior.sd} decimals={2} />
                  ).
                </span>
              </span>
            );
          })}
        </p>
      </div>
      {children}
    </div>
  );
}
