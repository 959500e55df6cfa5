import { shaftScale } from '#core/sag/atShaft.ts';
import { sagWish } from '#core/document/sagWish.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { isSagUnseen, SAG_GUESS_SD_MM } from '#core/planning/sagUnseen.ts';
import type { CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { byCorner, type Answer } from '#core/planning/answerShape.ts';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { FindingText } from '../finding/FindingText.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { airTaken, isAirAssumed } from '#core/document/taken.ts';
import { isBothLegs } from '#core/document/fitting.ts';
import { FindSprings } from '../job/FindSprings.tsx';
import { missingWords, springReasonWords } from '#words/springVerdict.ts';
import { cornerVerdict, missingForVerdict } from '#core/judgement/cornerVerdict.ts';
import type { SagReading } from '#core/sag/sagWindows.ts';
import type { JobDocument } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { sagFigure } from '#core/figures/sagFigure.ts';
import { isRough, schoolOf } from '#core/sag/schools.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { chooseRate } from '#core/sag/rates.ts';
import { carriedSum, preloadSum } from '#words/explain/benchSums.ts';
import { frictionSum, neededSum, sagAfterSum, sagEstimateSum, sagSum } from '#words/explain/sagSums.ts';
import { tolerances } from '#core/tolerances.ts';
import { rateOf } from '#core/rack/spring.ts';
import { useRack } from '../../api/rack.ts';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { capital } from '../../ui/words.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { EstimatedLength, MeasuredLength, PredictedLength } from '../../ui/FigureKinds.tsx';
import { Rate } from '../../ui/Rate.tsx';
import { Force, Mass } from '../../ui/Measure.tsx';
import { StateMark } from '../../ui/StateMark.tsx';
import { StepLine } from './StepLine.tsx';
import { AirCurve } from './AirCurve.tsx';
import { Move } from '../plan/PlannedMove.tsx';

/** What an end's readings come to: both sags against their windows, what to turn, and whether the spring is right. */
export function EndVerdict({ id, end }: { id: CornerId; end: SagEnd | null }) {
  const job = useThisJob();
  const { air } = job.record.document.corners[id];
  const { answer } = job;
  const corner = byCorner(answer)[id];
  if (!answer || !corner || !end) return <p className="text-second mt-2">No reading yet.</p>;
  const rider = job.record.document.riders[0]?.key ?? '';
  const wish = sagWish(answer.document, id);
  const asked = wish !== null;
  // Set with nobody on, nothing is said of a rider.
  const alone = wish?.who === 'alone';
  return (
    <div className="mt-2" aria-live="polite" data-testid={`sag-end-${id}`}>
      <div className="grid grid-cols-2 gap-x-3">
        {!alone && <Sag title="rider on" name="Rider sag" answer={answer} end={end} who={rider} />}
        {end.aloneKnown ? (
          <Sag title="nobody on" name="Static sag" answer={answer} end={end} who="alone" />
        ) : (
          <p>
            <span className="label text-second block">nobody on</span>
            <span className="text-second">not read</span>
          </p>
        )}
      </div>
      {!alone && <AsRidden end={end} />}
      {asked && <Wanted corner={corner} end={end} who={rider} alone={alone} answer={answer} />}
      <Remarks end={end} answer={answer} />
      {corner.airBar && air && (
        <AirCurve
          air={airTaken(air)}
          gaugeBar={corner.airBar.after}
          strokeMm={end.travelMm * corner.spec.ratio.value}
        />
      )}
      {air && isAirAssumed(air) && (
        <p className="label text-second">
          The curve is drawn by usual figures
          <AssumedMark />
        </p>
      )}
      <StepLine answer={answer} end={end} alone={alone} />
      {!alone && <SpringLine id={id} end={end} />}
    </div>
  );
}

interface WantedProps {
  corner: CornerAnswer;
  end: SagEnd;
  who: string;
  /** Set with nobody on. */
  alone: boolean;
  answer: Answer;
}

/** What to turn for the sag that is wanted, and both sags then. */
function Wanted({ corner, end, who, alone, answer }: WantedProps) {
  const { id } = end;
  const scale = shaftScale(answer.document, id);
  const unseen = isSagUnseen(answer, id, corner.nowSagSdMm);
  return (
    <>
      <div className="border-rule mt-2 border-t pt-2" data-testid={`move-${id}`}>
        <Move corner={corner} answer={answer} />
        {corner.seatBy !== 0 && isBothLegs(answer.document, id) && (
          <p className="label text-second">both legs alike</p>
        )}
      </div>
      <dl className="label mt-1">
        {!alone && !unseen && (
          <Then
            title="then, rider on"
            mm={end.ridden.afterMm}
            sdMm={end.ridden.afterSdMm}
            reading={end.riderSag}
            guessed={isWindowGuessed(answer.document, id)}
            scale={scale}
            sum={() => sagAfterSum(answer, end, who)}
          />
        )}
        {end.aloneKnown && (
          <Then
            title="then, nobody on"
            mm={end.alone.afterMm}
            sdMm={end.alone.afterSdMm}
            reading={end.staticSag}
            guessed={false}
            scale={scale}
            sum={() => sagAfterSum(answer, end, 'alone')}
          />
        )}
      </dl>
    </>
  );
}

/** The rider's sag with all on that was left off while it was read: what the window is held against. */
function AsRidden({ end }: { end: SagEnd }) {
  if (Math.abs(end.asReadMm - end.ridden.nowMm) <= SEEN_MM || end.ridden.nowSdMm > SAG_GUESS_SD_MM)
    return null;
  return (
    <p className="mt-1">
      As ridden{' '}
      <EstimatedLength
        figure={{ kind: 'estimated', value: end.ridden.nowMm, sd: end.ridden.nowSdMm }}
        note=""
      />
      <span className="label text-second block">
        with the gear, luggage and fuel that were not on while reading
      </span>
    </p>
  );
}

/** What the readings of an end say beside its sags. */
function Remarks({ end, answer }: { end: SagEnd; answer: Answer }) {
  return (
    <>
      {end.toppedOut.now && !end.toppedOut.after && (
        <p className="text-tight label mt-1 font-semibold">
          Topped out now with nobody on: this plan ends that.
        </p>
      )}
      {end.toppedOut.after && (
        <p className="text-short label mt-1 font-semibold">
          Topped out with nobody on: it has no travel left to extend into holes.
        </p>
      )}
      {end.friction && (
        <p className={`label mt-1 ${end.friction.verdict === 'poor' ? 'text-short' : 'text-second'}`}>
          Friction band{' '}
          <SumFigure name={`Friction band, ${cornerNames[end.id]}`} sum={() => frictionSum(answer, end)}>
            <Length mm={end.friction.bandMm} decimals={0} />
          </SumFigure>
          : {frictionWords[end.friction.verdict]}
        </p>
      )}
    </>
  );
}

/** Less than this between as read and as ridden is not worth a line, mm. */
const SEEN_MM = 0.5;

const frictionWords = {
  good: 'it moves freely.',
  fair: 'usual for a dry or new one; take both readings every time.',
  poor: 'it binds. Look at seals, alignment and bushes before trusting any sag.',
};

interface SagProps {
  title: string;
  name: string;
  answer: Answer;
  end: SagEnd;
  who: string;
}

/** The sag as it was read, with its estimate where that differs; where it was not read, the estimate as such. */
function Sag({ title, name, answer, end, who }: SagProps) {
  const { measured, shaft, estimated, differs } = sagFigure(answer, end, who);
  const where = `${name}, ${cornerNames[end.id]}`;
  const whole = cornerSpec(answer.document, end.id).travelMm.source === 'assumed' ? ', assumed' : '';
  const percent = (mm: number) => `${Math.round((100 * mm) / end.travelMm)} % of travel${whole}`;
  const estimate = (
    <SumFigure
      name={measured ? `Estimated ${name.toLowerCase()}, ${cornerNames[end.id]}` : where}
      sum={() => sagEstimateSum(answer, end, who)}
    >
      <EstimatedLength
        figure={estimated}
        note={measured ? '' : percent(estimated.value)}
        below={measured === null}
      />
    </SumFigure>
  );
  const isGuess = measured === null && shaft === null && estimated.sd > SAG_GUESS_SD_MM;
  return (
    <p>
      <span className="label text-second block">{title}</span>
      {isGuess ? (
        <span className="text-second">not read</span>
      ) : measured ? (
        <>
          <SumFigure name={where} sum={() => sagSum(answer, end, who)}>
            <MeasuredLength figure={measured} below={percent(measured.value)} />
          </SumFigure>
          {differs && <span className="label block">{estimate}</span>}
        </>
      ) : (
        <>
          {shaft && <MeasuredLength figure={shaft} below="at the shaft" />}
          <span className={shaft ? 'label block' : ''}>
            {shaft && 'at the wheel '}
            {estimate}
          </span>
        </>
      )}
    </p>
  );
}

interface ThenProps {
  title: string;
  mm: number;
  sdMm: number;
  reading: SagReading | null;
  /** Whether the window is a share of a travel that nobody gave. */
  guessed: boolean;
  /** mm of shaft per mm of wheel where it is read on the shaft, else 1. */
  scale: number;
  sum: () => ReturnType<typeof sagAfterSum>;
}

function Then({ title, mm, sdMm, reading, guessed, scale, sum }: ThenProps) {
  return (
    <div className="flex flex-wrap items-center gap-x-2">
      <dt className="text-second">{title}</dt>
      <dd className="flex items-center gap-1.5">
        <SumFigure name={title} sum={sum} className="font-bold">
          <PredictedLength figure={{ value: mm, sd: sdMm }} />
        </SumFigure>
        {reading && sdMm > tolerances.sagKnownMm && (
          <span className="text-second">not known well enough</span>
        )}
        {reading && sdMm <= tolerances.sagKnownMm && (
          <>
            <StateMark state={reading.state === 'in' ? 'clear' : 'short'} />
            <span className={reading.state === 'in' ? '' : 'text-short font-semibold'}>
              {reading.state === 'in' ? (
                <>
                  in <Length mm={reading.lowMm} decimals={0} bare /> to{' '}
                  <Length mm={reading.highMm} decimals={0} />
                  {guessed && <AssumedMark />}
                </>
              ) : (
                <>
                  <Length mm={reading.offMm} decimals={0} /> {reading.state}
                </>
              )}
            </span>
          </>
        )}
        {scale !== 1 && (
          <span className="text-second">
            at the shaft <Length mm={mm * scale} decimals={0} />
            {reading && (
              <>
                {' '}
                of <Length mm={reading.lowMm * scale} decimals={0} bare /> to{' '}
                <Length mm={reading.highMm * scale} decimals={0} />
              </>
            )}
          </span>
        )}
      </dd>
    </div>
  );
}

/** The verdict on the spring, and the rate that both sags ask for with what the rack has of it. */
function SpringLine({ id, end }: { id: CornerId; end: SagEnd }) {
  const job = useThisJob();
  const style = useLengthStyle(0);
  const { answer } = job;
  if (!answer) return null;
  const missing = missingForVerdict(answer, id);
  const told = missing ? null : cornerVerdict(answer, id);
  const wrong = told?.verdict.startsWith('too') ?? false;
  return (
    <div className="label border-rule mt-2 border-t pt-2" data-testid={`spring-${id}`}>
      {missing ? (
        <p>
          <b>Spring: can’t tell yet.</b>{' '}
          <span className="text-second">{capital(missingWords[missing])}.</span>
        </p>
      ) : (
        told && (
          <p className={wrong ? 'text-short' : ''}>
            <b>Spring: {told.verdict}.</b>{' '}
            <span className={wrong ? '' : 'text-second'}>
              {capital(springReasonWords(told.because, (mm) => lengthText(mm, style)))}.
            </span>
          </p>
        )
      )}
      {wrong && !end.needed && <FindSprings id={id} />}
      <AdjusterHints id={id} />
      <Carried id={id} end={end} />
      {end.needed && (
        <p className="text-second mt-0.5">
          Both sags ask for{' '}
          <SumFigure name={`Rate both sags ask for, ${cornerNames[id]}`} sum={() => neededSum(answer, end)}>
            <b className="text-ink">
              <Rate nPerMm={end.needed.rateNPerMm} />
            </b>{' '}
            ± <Rate nPerMm={end.needed.sdNPerMm} />
          </SumFigure>{' '}
          with <SizeLength mm={end.needed.preloadMm} decimals={0} /> of preload
          {end.rate.known ? (
            <>
              , fitted <Rate nPerMm={end.rate.nominalNPerMm} />.
            </>
          ) : (
            <>
              ; nobody named the spring, the readings make it <Rate nPerMm={end.rate.nPerMm} />.
            </>
          )}
          {wrong && <FromRack id={id} wantedNPerMm={end.needed.rateNPerMm} />}
        </p>
      )}
    </div>
  );
}

/** What the springs carry, and the preload then: only where somebody named a weight or a spring that says so. */
function Carried({ id, end }: { id: CornerId; end: SagEnd }) {
  const { document } = useThisJob().record;
  const isWeighed = document.machine.massKg !== null || document.corners[id].loadKg !== null;
  if (!isWeighed && !end.rate.known) return null;
  return (
    <p className="text-second mt-0.5">
      It carries{' '}
      <SumFigure name={`Carried with nobody on, ${cornerNames[id]}`} sum={() => carriedSum(end, 'alone')}>
        <Mass kg={end.alone.kg} />
      </SumFigure>{' '}
      with nobody on,{' '}
      <SumFigure name={`Carried ridden, ${cornerNames[id]}`} sum={() => carriedSum(end, 'ridden')}>
        <Mass kg={end.ridden.kg} />
      </SumFigure>{' '}
      ridden
      {!document.corners[id].air && end.rate.known && (
        <>
          ; preload then{' '}
          <SumFigure name={`Preload then, ${cornerNames[id]}`} sum={() => preloadSum(end)}>
            <SizeLength mm={end.preload.mm} /> or <Force n={end.preload.forceN} />
          </SumFigure>
        </>
      )}
      .
    </p>
  );
}

/** That an adjuster stands near its end: worth knowing, and no reason to leave a window that is met. */
function AdjusterHints({ id }: { id: CornerId }) {
  const job = useThisJob();
  const hints = analysisOf(job.record).findings.filter(
    (one) => (one.code === 'cam-high' || one.code === 'adjuster-end') && one.corner === id,
  );
  return hints.map((finding) => (
    <div key={finding.code} className="mt-0.5">
      <FindingText finding={finding} />
    </div>
  ));
}

/** Whether a rider's window stands as a share of the travel, and the travel is only assumed. */
function isWindowGuessed(document: JobDocument, id: CornerId): boolean {
  return (
    schoolOf(document, id, 'rider')?.unit === 'share of travel' &&
    cornerSpec(document, id).travelMm.source === 'assumed'
  );
}

function FromRack({ id, wantedNPerMm }: { id: CornerId; wantedNPerMm: number }) {
  const job = useThisJob();
  const { data } = useRack();
  const springs = (data ?? []).flatMap((one) => {
    const rate = rateOf(one)?.value;
    return rate && !one.tender && one.rows === null ? [{ name: one.name, rateNPerMm: rate }] : [];
  });
  const { softer, stiffer, take, overlap } = chooseRate(wantedNPerMm, springs, isRough(job.record.document));
  return (
    <span className="block">
      {(softer ?? stiffer) && (
        <>
          On the rack {[softer, stiffer].flatMap((one) => (one ? [one.name] : [])).join(' and ')}
          {take
            ? overlap
              ? `: either would do, ${take.name} for this use. `
              : `: ${take.name} is the nearer. `
            : ': neither is near. '}
        </>
      )}
      <FindSprings id={id} />
    </span>
  );
}
