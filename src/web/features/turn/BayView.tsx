import { FromSecondEdge } from '../job/SecondEdge.tsx';
import { camPosition } from '#core/document/taken.ts';
import { useTell } from '../../ui/settings.ts';
import { nextWords } from '#words/nextAction.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { createContext, useContext, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { cornerSpec } from '#core/estimate/corner.ts';
import type { ToldPlan } from '#core/document/types.ts';
import { planFact } from '#core/planning/tell.ts';
import { isMoved } from '#core/planning/cornerAnswer.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { MachinePlan } from '../../drawing/MachinePlan.tsx';
import { airTold, Effect, MountMove, PitchAssumed, RingMove, SeatMove } from '../job/MoveWords.tsx';
import { capital } from '../../ui/words.ts';
import { SizeLength, Turns } from '../../ui/Figure.tsx';
import { isRatioGuessed, MeasureRatio } from '../ratio/MeasureRatio.tsx';
import { Button } from '../../ui/Button.tsx';
import { BaySection } from './BaySection.tsx';
import { useWorkSteps } from './useWorkSteps.ts';
import { countedMm, goesBy, isCounted, type WorkStep } from './workSteps.ts';

/** Whether the keys of the counter and of the steps go to this bay; of two on one screen, to the one last touched. */
export const HasKeys = createContext(true);

/** One corner at a time, for arm's length: what to turn, where to stop, and a counter for turns. */
export function BayView() {
  const { turning } = useThisJob().state;
  return turning ? <Turning told={turning.told} /> : <Idle />;
}

/** Nothing is being turned: what comes next, as large. */
function Idle() {
  const job = useThisJob();
  const tell = useTell();
  const { answer } = job;
  const ready =
    answer !== null && !job.state.locked && answer.chanceAfter !== null && answer.corners.some(isMoved);
  // Where something is to be read, looked into or decided first, the sheet leads to it.
  const turns = ready && (job.next.code === 'turn' || job.next.code === 'set-ring');
  return (
    <div className="flex flex-1 flex-col items-start justify-center gap-8">
      <p className="text-[44px] leading-tight font-bold @max-3xl:text-[32px]">
        {capital(nextWords(job.next, tell))}
      </p>
      {turns ? (
        <Button
          look="main"
          className="min-h-16 px-8 text-[22px]"
          onClick={() =>
            job.actions.record(`Plan issued, round ${answer.state.current + 1}`, planFact(answer))
          }
        >
          Start turning
        </Button>
      ) : (
        <Link
          to={`/jobs/${job.record.id}/${job.next.stage}`}
          className="bg-action text-on-action flex min-h-16 items-center px-8 text-[22px] font-semibold"
        >
          To the sheet
        </Link>
      )}
    </div>
  );
}

function Turning({ told }: { told: ToldPlan }) {
  const { step, at, count, isDone, go, record } = useWorkSteps(useThisJob(), told);
  if (!step) return null;
  return (
    <>
      <StepView
        key={`${step.id}${step.work.kind}${step.work.slot}`}
        step={step}
        isDone={isDone(step)}
        record={record}
        go={go}
      />
      <p className="figures text-second text-center text-[20px]">
        {at + 1} of {count}
      </p>
    </>
  );
}

interface StepButtonsProps {
  isDone: boolean;
  done: () => void;
  go: (by: number) => void;
}

/** Done, and on or back to another corner: for a finger in a glove. */
function StepButtons({ isDone, done, go }: StepButtonsProps) {
  return (
    <div className="mt-4 flex flex-wrap gap-3">
      <Button look="main" className="min-h-20 px-10 text-[28px]" onClick={done}>
        {isDone ? 'Done again' : 'Done'}
      </Button>
      <Button className="min-h-20 px-6 text-[20px]" onClick={() => go(-1)} aria-label="Corner before">
        Back
      </Button>
      <Button className="min-h-20 px-6 text-[20px]" onClick={() => go(1)} aria-label="Next corner">
        Next
      </Button>
    </div>
  );
}

function StepView({
  step,
  isDone,
  record,
  go,
}: {
  step: WorkStep;
  isDone: boolean;
  record: (doneMm: number) => void;
  go: (by: number) => void;
}) {
  const job = useThisJob();
  const { id, work, asked } = step;
  const { pitchMm } = cornerSpec(job.record.document, id);
  const counts = isCounted(step);
  const { isSeat, isMount, by } = goesBy(work);
  const [eighths, setEighths] = useState(0);
  const size = Math.round(Math.abs(asked.turns) * 8);
  const count = (by: number) => setEighths((now) => Math.max(now + by, 0));
  const done = () => record(countedMm(step, eighths, pitchMm.value));
  const keys = { preventDefault: true, enabled: useContext(HasKeys) };
  useHotkeys('space', () => counts && count(8), keys, [counts]);
  useHotkeys('up,right', () => counts && count(1), keys, [counts]);
  useHotkeys('down,left', () => counts && count(-1), keys, [counts]);
  useHotkeys('enter', done, keys, [eighths, counts, step]);
  useHotkeys('BracketLeft', () => go(-1), keys);
  useHotkeys('BracketRight', () => go(1), keys);
  const here = useRef<HTMLElement>(null);
  useEffect(() => {
    here.current?.closest('[data-bay]')?.scrollIntoView();
  }, []);
  return (
    <section
      ref={here}
      aria-label={cornerNames[id]}
      className="relative flex flex-1 flex-col justify-center gap-4"
    >
      <div className="pointer-events-none absolute top-1/2 right-0 flex w-[300px] -translate-y-1/2 flex-col items-center gap-2 @max-5xl:hidden">
        <MachinePlan footprint={job.record.document.machine} moves={{ [id]: by }} width={210} />
        <BaySection id={id} />
      </div>
      <p className="text-[36px] font-semibold @max-3xl:text-[28px]">{capital(cornerNames[id])}</p>
      {work.kind !== 'ring' && (
        <p className="text-action text-[72px] leading-none font-bold @max-3xl:text-[44px]">
          <Effect seatBy={isSeat ? by : 0} mountMm={isMount ? by : 0} riseMm={asked.riseMm ?? null} />
        </p>
      )}
      <p
        className="text-[44px] leading-tight font-bold @max-3xl:text-[32px] @max-3xl:[--along:0.88em]"
        data-testid="bay-figure"
      >
        <Figure step={step} />
      </p>
      {work.kind === 'adjustment' && asked.stopAtMm !== null && counts && (
        <p className="text-[44px] leading-tight font-semibold @max-3xl:text-[32px]">
          stop when the collar reads <SizeLength mm={asked.stopAtMm} />
          <FromSecondEdge id={id} mm={asked.stopAtMm} />
        </p>
      )}
      {work.kind === 'adjustment' && counts && (
        <p className="text-[20px]">
          <SizeLength mm={Math.abs(by)} /> of seat
          <PitchAssumed pitch={pitchMm} steps={asked.steps ?? null} />
        </p>
      )}
      {counts && <TurnCounter eighths={eighths} size={size} count={count} />}
      <StepButtons isDone={isDone} done={done} go={go} />
      {isRatioGuessed(job) && (
        <div className="max-w-3xl text-[17px]" onKeyDown={(event) => event.stopPropagation()}>
          <MeasureRatio />
        </div>
      )}
      <p className="text-second text-[17px]">
        Weight off, lock ring back. {isDone && <b className="text-ink">✓ done already.</b>}
      </p>
    </section>
  );
}

/** Counts turns with a thumb: a whole one by the large button, eighths beside it. */
function TurnCounter({
  eighths,
  size,
  count,
}: {
  eighths: number;
  /** Eighths that were issued. */
  size: number;
  count: (by: number) => void;
}) {
  return (
    <>
      <div className="flex flex-wrap items-center gap-3" aria-live="polite">
        <button
          type="button"
          onClick={() => count(8)}
          className="border-ink min-h-24 min-w-64 border-2 px-6 text-left text-[28px] font-semibold"
          aria-label="Count one turn"
        >
          <span className="block leading-tight" data-testid="counted">
            <Turns turns={eighths / 8} />
          </span>
          <span className="text-second mt-1 block text-[17px] leading-tight font-normal">
            of <Turns turns={size / 8} />; tap or Space counts one
          </span>
        </button>
        <CountButton label="One eighth more" onClick={() => count(1)}>
          +⅛
        </CountButton>
        <CountButton label="One eighth less" onClick={() => count(-1)}>
          −⅛
        </CountButton>
      </div>
      {eighths > size && (
        <p className="text-tight text-[20px] font-semibold">
          <Turns turns={(eighths - size) / 8} /> further than issued. It is kept as counted.
        </p>
      )}
    </>
  );
}

function CountButton({
  label,
  onClick,
  children,
}: {
  label: string;
  onClick: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onClick}
      className="border-ink/60 min-h-24 min-w-20 border text-[28px] font-semibold"
    >
      {children}
    </button>
  );
}

function Figure({ step: { id, work, asked } }: { step: WorkStep }) {
  const job = useThisJob();
  const { mount, fitting } = job.record.document.corners[id];
  if (work.kind === 'mount')
    return <MountMove turns={work.mm / (mount?.pitchMm ?? 1)} mm={work.mm} fitting={fitting} />;
  if (work.kind === 'ring') return <RingMove slider={Number(work.slot)} moveMm={work.mm} />;
  return (
    <SeatMove
      turns={asked.turns}
      steps={asked.steps ?? null}
      fitting={fitting}
      cam={
        asked.camTo === undefined ? null : camPosition(job.record.document.corners[id].torsion, asked.camTo)
      }
      air={airTold(asked)}
      id={id}
    />
  );
}
