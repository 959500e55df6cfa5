import { useThisJob } from '../../jobStore/jobContext.ts';
import { adjusterOf } from '#core/kinds/adjusters/index.ts';
import { Link } from 'react-router';
import { misfitKey, type JobMisfit, type Suspicion } from '#core/estimate/estimate.ts';
import { factAt } from '#core/document/facts.ts';
import { heldBackBy } from '#core/planning/heldBack.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { checkWords, likelyWords, misfitWords } from '#words/misfit.ts';
import type { Say } from '#words/figures.ts';
import { useSay } from '../../ui/settings.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { WhyOff } from './WhyOff.tsx';
import { Button } from '../../ui/Button.tsx';

/** What does not agree, most likely first, each with what would settle it. Silent where readings and machine agree. */
export function Doubts() {
  const job = useThisJob();
  const say = useSay(0);
  const doubt = job.answer?.doubt;
  if (!doubt || doubt.suspicions.length === 0) return null;
  const [first, ...others] = doubt.suspicions;
  if (!first) return null;
  const asks = first.misfit.code === 'one-corner';
  const held = heldBackBy(doubt, job.state) !== null;
  return (
    <section
      aria-label="What does not agree"
      data-testid="doubt"
      className="border-tight mx-4 mt-3 border-l-4 pl-3"
    >
      <p className="font-semibold">
        {asks
          ? ''
          : `The readings do not agree with the machine as it is taken to be. ${likelyWords(first)}: `}
        {misfitWords(first.misfit, say)}
      </p>
      <p className="text-second">
        {checkWords(first.misfit)}{' '}
        {held
          ? 'Nothing is planned until that is done.'
          : doubt.adopted
            ? 'The plan takes it to be so.'
            : 'The plan goes by the readings as they stand.'}
      </p>
      {first.misfit.code === 'one-corner' && job.answer && (
        <div className="overflow-x-auto">
          <WhyOff answer={job.answer} id={first.misfit.corner} offMm={first.misfit.offMm} />
        </div>
      )}
      {others.length > 0 && (
        <p className="label text-second">
          Or: {others.map((one) => misfitWords(one.misfit, say)).join(' Or: ')}
        </p>
      )}
      <div className="mt-1 flex flex-wrap gap-3 print:hidden">
        <Link
          to={`/jobs/${job.record.id}/${stageFor(first.misfit)}`}
          className="text-action flex min-h-8 items-center font-semibold underline underline-offset-4"
        >
          {checkLabel(first.misfit)}
        </Link>
        {first.misfit.code === 'turned-other-way' && <PutRight misfit={first.misfit} />}
        <Button look="quiet" onClick={() => dismiss(job, first, say)}>
          I checked: it is right as read
        </Button>
      </div>
    </section>
  );
}

/** The collars do stand the other way: what was recorded as turned is put right. */
function PutRight({ misfit }: { misfit: Extract<JobMisfit, { code: 'turned-other-way' }> }) {
  const job = useThisJob();
  const { corners, round } = misfit;
  const done = corners.flatMap((corner) => {
    // The other way from a position or a pressure is no place there is: what it stands at is entered on Turn.
    const { by } = adjusterOf(job.record.document.corners[corner].fitting).goes;
    if (by !== 'thread' && by !== 'steps') return [];
    return (['adjustment', 'mount'] as const).flatMap((kind) => {
      const fact = factAt(job.facts, { kind, round, corner, slot: 'done' })?.fact;
      return fact?.mm ? [{ ...fact, corner }] : [];
    });
  });
  if (done.length === 0) return null;
  return (
    <Button
      look="quiet"
      onClick={() =>
        done.forEach((fact) =>
          job.actions.record(`Turned the other way, ${cornerNames[fact.corner]}`, {
            ...fact,
            mm: -fact.mm,
            typed: undefined,
          }),
        )
      }
    >
      It was: put the record right
    </Button>
  );
}

function checkLabel({ code }: JobMisfit): string {
  return {
    ratio: 'Measure the ratio',
    'turned-other-way': 'Check the collar',
    'odd-reading': 'Measure it again',
    aboard: 'Check what is on board',
    'hooked-bar': 'Check the bar links',
    'one-corner': 'Measure it again',
  }[code];
}

function stageFor({ code, ...where }: JobMisfit): string {
  if (code === 'ratio') return 'baseline';
  if (code === 'hooked-bar') return 'prep';
  if (code === 'one-corner') return 'baseline';
  return 'round' in where && where.round === 0 ? 'baseline' : 'measure';
}

/** Keeps that somebody has looked: it is not suspected again. */
function dismiss(job: Job, { misfit }: Suspicion, say: Say): void {
  job.actions.record(`Checked and right: ${misfitWords(misfit, say)}`.slice(0, 120), {
    kind: 'acknowledged',
    round: 0,
    corner: null,
    slot: misfitKey(misfit),
    remark: 'checked',
  });
}
