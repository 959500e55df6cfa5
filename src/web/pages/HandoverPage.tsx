import { useRef, type ReactNode } from 'react';
import { dayWords } from '#words/day.ts';
import { aboutWords } from '#words/about.ts';
import { recheckAfter, recheckWords } from '#words/recheck.ts';
import { marginTitles } from '#words/margins.ts';
import { JobContext, useThisJob } from '../jobStore/jobContext.ts';
import { useParams } from 'react-router';
import { cautionList } from '#words/cautions.ts';
import { closeList } from '#words/checks.ts';
import { recheckOf } from '#core/document/recheck.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { balanceOf, takenPads } from '#core/scales/balance.ts';
import { worstOfEachKind } from '#core/margins/margins.ts';
import { useJob, type Job } from '../jobStore/useJob.ts';
import { AssumedMark } from '../features/job/AssumedMark.tsx';
import { MarginValue } from '../features/job/MarginWords.tsx';
import { capital } from '../ui/words.ts';
import { roundWords } from '#words/fields.ts';
import { Button } from '../ui/Button.tsx';
import { Mass } from '../ui/Measure.tsx';
import { StateMark } from '../ui/StateMark.tsx';
import { findingWords } from '#words/findings.ts';
import { openPointWords } from '#words/openPoints.ts';
import { analysisOf } from '../jobStore/analysisOf.ts';
import { useSay, useUnitsOf, useTell } from '../ui/settings.ts';
import { NotChecked } from '../features/finish/OpenPoints.tsx';
import { HandoverSettings } from '../features/finish/HandoverSettings.tsx';
import { HandoverFitted } from '../features/finish/HandoverFitted.tsx';
import { HandoverWith } from '../features/finish/HandoverWith.tsx';
import { HandoverRings } from '../features/finish/HandoverRings.tsx';
import { GiveLink } from '../features/given/GiveLink.tsx';
import { ShopHead } from '../features/sheet/ShopHead.tsx';
import { HandoverSag } from '../features/finish/HandoverSag.tsx';
import { meanOf } from '#core/numerics/mean.ts';

/** What goes with the machine: heights before and after, settings, what is left, what to mind. One page of paper. */
export function HandoverPage() {
  const { id = '' } = useParams();
  const { job } = useJob(id);
  const tell = useTell();
  const sheet = useRef<HTMLElement>(null);
  if (!job) return <main className="p-6">Loading the job …</main>;
  const { document } = job.record;
  const about = aboutWords(document.about, tell);
  return (
    <JobContext value={job}>
      <main ref={sheet} className="mx-auto w-full max-w-[820px] px-6 py-5 print:max-w-none print:p-0">
        <title>{`${document.name}, handover · Margin`}</title>
        <ShopHead />
        <div className="flex flex-wrap items-baseline justify-between gap-4">
          <h1 className="text-[26px] font-bold">
            {document.name}{' '}
            <span className="text-second text-[17px] font-normal">
              {document.machine.title || classDefaults[document.machine.class].title}
            </span>
          </h1>
          <span className="flex gap-3 print:hidden">
            <GiveLink sheet={sheet} />
            <Button look="main" onClick={() => window.print()}>
              Print
            </Button>
          </span>
        </div>
        {about.length > 0 && <p data-testid="about">{capital(about.join(' · '))}</p>}
        <p className="text-second">
          {[document.load && `Set with: ${document.load}`, standing(job)].filter(Boolean).join('. ')}.
        </p>
        {job.answer ? (
          <>
            <HandoverSettings answer={job.answer} />
            <HandoverSag answer={job.answer} />
            <HandoverWith />
            <HandoverFitted />
            <HandoverRings />
            <Weights />
            <LeftOver />
            <WentOutOpen />
          </>
        ) : (
          <p className="mt-4">Nothing has been measured yet: there is nothing to hand over.</p>
        )}
        <SeenTo />
        <Mind />
      </main>
    </JobContext>
  );
}

function standing({ state, facts }: Job): string {
  const at = facts.find(({ fact }) => fact.kind === 'locked')?.at;
  const day = at ? dayWords(at) : null;
  return state.locked && day ? `Locked on ${day}` : 'Not locked yet';
}

/** Points that were open when it was locked, with the reason given; and what was not checked. */
function WentOutOpen() {
  const job = useThisJob();
  const say = useSay(1);
  const { openPoints, remedies } = analysisOf(job.record);
  const remark = job.facts.find(({ fact }) => fact.kind === 'locked')?.fact.remark;
  return (
    <section aria-label="Open points" className="mt-4">
      {openPoints.length > 0 && (
        <>
          <h2 className="font-semibold">Still open</h2>
          <ul>
            {openPoints.map((point, k) => (
              <li key={k} className="border-rule border-t py-1">
                {openPointWords(point, say).words}
                {point.code === 'finding' &&
                  ` ${findingWords(point.finding, say, remedies(point.finding)).ways.join(' Or: ')}`}
              </li>
            ))}
          </ul>
          {remark && (
            <p className="mt-1">
              Why it went out all the same: <b>{remark}</b>
            </p>
          )}
        </>
      )}
      <NotChecked />
    </section>
  );
}

/** Weights as last read, and before; nothing where it was never on scales. */
function Weights() {
  const job = useThisJob();
  const weighed = job.state.rounds.filter(
    ({ pads }) => balanceOf(takenPads(job.record.document, pads)) !== null,
  );
  const [first, last] = [weighed[0], weighed.at(-1)];
  if (!first || !last) return null;
  const rows = first === last ? [last] : [first, last];
  const weights = rows.map(({ pads }) => takenPads(job.record.document, pads));
  return (
    <section aria-label="Corner weights" className="mt-5">
      <h2 className="font-semibold">
        Corner weights{' '}
        <span className="label text-second font-normal">{job.record.document.load || 'as measured'}</span>
      </h2>
      <table className="mt-1 w-full max-w-[420px] text-right">
        <thead className="label text-second">
          <tr>
            <th />
            {rows.map(({ round }) => (
              <th key={round} scope="col" className="font-normal">
                {capital(roundWords(round))}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {cornersIn(job.record.document).map((id) => (
            <WeightRow key={id} words={capital(cornerNames[id])}>
              {weights.map((kg) => (
                <Mass kg={meanOf(kg[id] ?? [0])} decimals={1} />
              ))}
            </WeightRow>
          ))}
          <WeightRow words="Front">
            {weights.map((kg) => (
              <Share of={balanceOf(kg)?.front.value ?? 0} />
            ))}
          </WeightRow>
          <WeightRow words="Cross, RF + LR">
            {weights.map((kg) => (
              <b>
                <Share of={balanceOf(kg)?.cross.value ?? 0} />
              </b>
            ))}
          </WeightRow>
        </tbody>
      </table>
    </section>
  );
}

function WeightRow({ words, children }: { words: string; children: ReactNode[] }) {
  return (
    <tr className="border-rule border-t">
      <th scope="row" className="py-1 text-left font-normal">
        {words}
      </th>
      {children.map((one, k) => (
        <td key={k}>{one}</td>
      ))}
    </tr>
  );
}

const Share = ({ of }: { of: number }) => <span className="figures">{(100 * of).toFixed(1)} %</span>;

function LeftOver() {
  const job = useThisJob();
  return (
    <section aria-label="Margins" className="mt-5">
      <h2 className="font-semibold">
        Margins{' '}
        <span className="label text-second font-normal">
          {job.state.locked ? 'as locked' : 'after the plan that is open'}
        </span>
      </h2>
      <ul className="mt-1 grid gap-x-8 sm:grid-cols-2 print:grid-cols-2">
        {worstOfEachKind(job.margins).map((margin) => (
          <li key={margin.kind} className="border-rule flex items-baseline gap-2 border-t py-1">
            <span className="translate-y-0.5">
              <StateMark state={margin.state} />
            </span>
            <span className="flex-1">
              {marginTitles[margin.kind]}{' '}
              <span className="label text-second">
                {cornerNames[margin.corner]}
                {margin.assumed && <AssumedMark />}
              </span>
            </span>
            <MarginValue margin={margin} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function SeenTo() {
  const job = useThisJob();
  const done = (id: string) =>
    job.facts.some(({ fact }) => fact.kind === 'check' && fact.slot === id && fact.how === 'done');
  const due = recheckOf(job.facts);
  const tell = useTell();
  const distance = useUnitsOf('distance');
  return (
    <section aria-label="Checklist" className="mt-5">
      <h2 className="font-semibold">Checklist</h2>
      <ul className="mt-1 grid gap-x-8 sm:grid-cols-2 print:grid-cols-2">
        {closeList(job.record.document).map(({ id, words }) => (
          <li key={id} className="flex gap-2 py-0.5">
            <span className="border-ink inline-block size-4 shrink-0 translate-y-0.5 border text-center text-[12px] leading-[14px]">
              {done(id) ? '✓' : ''}
            </span>
            {words}
          </li>
        ))}
      </ul>
      <p className="mt-3 font-semibold">
        {due
          ? `${capital(recheckWords(due, tell))}.`
          : `Recheck after ${recheckAfter[distance]}: new springs settle and lock rings walk.`}
      </p>
    </section>
  );
}

function Mind() {
  const job = useThisJob();
  return (
    <section aria-label="Important" className="mt-4">
      <h2 className="font-semibold">Important</h2>
      {cautionList('close-out', job.record.document).map(({ words, why }) => (
        <p key={words} className="label">
          {words} <span className="text-second">{why}</span>
        </p>
      ))}
    </section>
  );
}
