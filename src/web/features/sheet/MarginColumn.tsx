import { whichKey } from '#core/document/which.ts';
import { whichWords } from '#words/which.ts';
import { findingKey } from '#core/findings/finding.ts';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import type { ToldOnce } from '#words/bothSides.ts';
import { FindingLine, useToldOnce } from '../finding/FindingText.tsx';
import { askingWords } from '#words/asking.ts';
import { marginTitles } from '#words/margins.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { memo, useMemo } from 'react';
import { bestQuestion } from '#core/judgement/asking.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import type { Margin } from '#core/margins/margins.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { marginSum } from '#words/explain/marginSum.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { capital } from '../../ui/words.ts';
import { roundWords } from '#words/fields.ts';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { MarginValue } from '../job/MarginWords.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { SumPanel } from '../sums/SumPanel.tsx';
import { isThreadUnknown } from '#core/findings/openPoints.ts';
import { isTurned } from '#core/kinds/adjusters/index.ts';
import { looksAlike, useMarginRows } from './useMarginRows.ts';
import { Judgement } from './Judgement.tsx';
import { marginWord, StateMark, stateTone } from '../../ui/StateMark.tsx';

interface Props {
  /** The answer of the plan itself, whatever is tried by hand: what is worth asking is asked of it. */
  planned: Answer | null;
}

/** What is left before anything runs out, the smallest first; and the sum of whatever figure was opened. */
export function MarginColumn({ planned }: Props) {
  const job = useThisJob();
  const { rows, fine, all, setAll, latest } = useMarginRows(job.margins);
  return (
    <aside
      aria-label="Margins"
      className="border-short/70 min-h-[calc(100vh-90px)] min-w-0 border-l-2 pl-3 max-lg:min-h-0 print:mt-4 print:border-l-0 print:pl-0 max-lg:border-t-2 max-lg:border-l-0 max-lg:pt-3 max-lg:pl-0"
    >
      <SumPanel />
      <h2 className="text-head font-semibold">Margins</h2>
      <p className="label text-second">
        {job.state.locked
          ? 'what was left when it was finished'
          : `what is left before something runs out, after this plan, ${job.margins.some(({ loadCase }) => loadCase !== null) ? 'in every load case' : 'for the load on board'}`}
      </p>
      {job.margins.length === 0 && (
        <p className="text-second mt-3">Margins show as soon as a height is read.</p>
      )}
      <ul className="mt-3">
        {rows.map((margin) => (
          <MarginRow
            key={margin.kind + margin.corner + whichKey(margin.which)}
            margin={margin}
            latest={latest}
          />
        ))}
      </ul>
      {job.margins.length > 0 && (
        <button
          type="button"
          onClick={() => setAll(!all)}
          aria-expanded={all}
          className="text-action label mt-2 min-h-8 font-semibold underline underline-offset-4 print:hidden"
        >
          {all
            ? 'Only what needs a look'
            : fine > 0
              ? `${fine} more ${fine === 1 ? 'is' : 'are'} ok: show all`
              : 'Every corner'}
        </button>
      )}
      {!all && fine > 0 && (
        <p className="label hidden print:block">
          {fine} more {fine === 1 ? 'is' : 'are'} ok
        </p>
      )}
      <ToPutRight />
      <Reasons />
      <MissingCollars />
      <Strays />
      <Judgement />
      <WorthAsking answer={planned} />
      <p className="label text-second mt-4 print:hidden">
        Click a number to see how it was calculated:{' '}
        <kbd className="border-rule border px-1 font-sans">s</kbd>
      </p>
    </aside>
  );
}

interface RowProps {
  margin: Margin;
  /** The same margin as it is when its sum is asked for. */
  latest: (margin: Margin) => Margin;
}

/** A line is drawn anew only where something on it can be seen to change: seats are moved in every frame of a drag. */
const MarginRow = memo(MarginLine, ({ margin: a }, { margin: b }) => looksAlike(a, b));

function MarginLine({ margin, latest }: RowProps) {
  return (
    <li className="py-1.5" data-margin={margin.kind}>
      <div className="flex items-baseline gap-2">
        <span className="translate-y-0.5">
          <StateMark state={margin.state} />
        </span>
        <span className="flex-1 font-semibold">{marginTitles[margin.kind]}</span>
        <SumFigure name={marginTitles[margin.kind]} sum={() => marginSum(latest(margin))}>
          <MarginValue margin={margin} />
        </SumFigure>
      </div>
      <div className="label text-second flex justify-between gap-2 pl-[22px]">
        <span>
          {[cornerNames[margin.corner], margin.which && whichWords(margin.which), margin.loadCase]
            .filter(Boolean)
            .join(', ')}
        </span>
        <span className={stateTone[margin.state]}>
          {marginWord[margin.state]}
          {margin.assumed && <AssumedMark />}
        </span>
      </div>
      <Bar margin={margin} />
    </li>
  );
}

function Bar({ margin }: { margin: Margin }) {
  const fill = {
    clear: { background: 'var(--second)' },
    tight: {
      backgroundImage: 'radial-gradient(circle at 2px 2px, var(--tight) 1.4px, transparent 1.6px)',
      backgroundSize: '5px 4px',
    },
    short: { backgroundImage: 'repeating-linear-gradient(135deg, var(--short) 0 2px, transparent 2px 5px)' },
  }[margin.state];
  return (
    <div aria-hidden className="border-rule mt-1 ml-[22px] h-[5px] border-b">
      <div
        className="h-1"
        style={{ width: `${Math.max(margin.share * 100, margin.state === 'clear' ? 1 : 4)}%`, ...fill }}
      />
    </div>
  );
}

/** How many findings stand open in the column; the others unfold. */
const SHOWN = 2;

/** What has run out, with what would put it right. */
function ToPutRight() {
  const job = useThisJob();
  const { findings, answer } = analysisOf(job.record);
  const short = useToldOnce(
    findings.filter(({ code, severity }) => code === 'run-out' && severity !== 'hint'),
  );
  if (short.length === 0 || job.state.locked || job.answer !== answer) return null;
  const [first, rest] = [short.slice(0, SHOWN), short.slice(SHOWN)];
  return (
    <section aria-label="Correct these" className="mt-4">
      <h3 className="font-semibold">Correct these</h3>
      <Listed lines={first} />
      {rest.length > 0 && (
        <details>
          <summary className="text-action label min-h-8 cursor-pointer font-semibold underline underline-offset-4">
            {rest.length} more
          </summary>
          <Listed lines={rest} />
        </details>
      )}
    </section>
  );
}

function Listed({ lines }: { lines: readonly ToldOnce[] }) {
  return (
    <ul>
      {lines.map((line) => (
        <li key={findingKey(line.findings[0])} className="border-rule label border-b py-2">
          <FindingLine line={line} />
        </li>
      ))}
    </ul>
  );
}

function MissingCollars() {
  const job = useThisJob();
  const { corners } = job.record.document;
  const missing = (job.answer?.corners ?? []).filter(
    (corner) => isTurned(corners[corner.id].fitting) && isThreadUnknown(corner),
  );
  if (missing.length === 0) return null;
  return (
    <p className="label text-second mt-3">
      Thread left is not known for {missing.map(({ id }) => cornerNames[id]).join(', ')}: give what is left of
      it, or the collar’s limits (intake) and its reading (baseline).
    </p>
  );
}

/** Readings that do not agree with the rest: kept, told, and counted for less. */
function Strays() {
  const job = useThisJob();
  const style = useLengthStyle(1);
  const strays = job.answer?.posterior.strays ?? [];
  if (strays.length === 0) return null;
  return (
    <section aria-label="Readings that do not agree" className="label mt-3">
      {strays.map((stray, k) => (
        <p key={k} className="text-tight">
          {capital(cornerNames[stray.corner])}, {roundWords(stray.round)}:{' '}
          {stray.what === 'pad' ? 'the weight' : lengthText(stray.mm, style)}
          {stray.what === 'travel' ? ' of travel used' : ''} does not fit the other readings. It is given{' '}
          {Math.max(Math.round(100 * stray.weight), 1)} % weight. Settle the machine and read it again.
        </p>
      ))}
    </section>
  );
}

/** The one measurement that would narrow the plan most, while there is one worth the walk. */
const WorthAsking = memo(function WorthAsking({ answer }: { answer: Answer | null }) {
  const style = useLengthStyle(1);
  const best = useMemo(() => answer && bestQuestion(answer), [answer]);
  if (!best) return null;
  return (
    <p className="label text-second mt-3" data-testid="worth-asking">
      {askingWords(best, (mm) => lengthText(mm, style))}
    </p>
  );
});

function Reasons() {
  const job = useThisJob();
  const { findings, answer } = analysisOf(job.record);
  const stand = useToldOnce(findings.filter(({ code }) => code === 'unreachable'));
  // A place tried by hand is no plan: nothing stands in its way.
  if (stand.length === 0 || job.state.locked || job.answer !== answer) return null;
  return (
    <section aria-label="Why it cannot be reached" className="mt-5">
      <h3 className="font-semibold">Why it cannot be reached</h3>
      <Listed lines={stand} />
    </section>
  );
}
