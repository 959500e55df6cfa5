import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { analyseTried } from '#core/analysis/analyse.ts';
import { dependsOnLoad } from '#core/margins/margins.ts';
import { casesAfter } from '#core/stance/standing.ts';
import { wayWords } from '#words/alternatives.ts';
import { alternativesFor, type Alternative } from '#core/judgement/alternatives.ts';
import { planFact } from '#core/planning/tell.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { bareLength, lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { MarginLine } from '../job/MarginWords.tsx';
import { chanceSum } from '#words/explain/cornerSums.ts';
import { caseHeightSum, furthestSum } from '#words/explain/planSums.ts';
import type { CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { capital } from '../../ui/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Length } from '../../ui/Figure.tsx';
import { PathField } from '../../forms/fields.tsx';
import { CutOpenPanel } from '../sheet/CutOpenPanel.tsx';
import { KitStart } from './KitStart.tsx';
import { Panel } from '../sheet/Panel.tsx';

/** What there is to choose, and what the owner's other load cases make of the plan. */
export function PlanChoices({ answer }: { answer: Answer }) {
  const job = useThisJob();
  if (answer.chanceAfter === null) return null;
  return (
    <>
      <CutOpenPanel answer={answer} />
      <div className="mx-4 print:hidden">
        {!job.state.locked && (
          <Panel title="Other ways to do it" words="side by side, with what each costs">
            <AimHigh />
            <Ways answer={answer} />
          </Panel>
        )}
        {!job.state.locked &&
          !job.state.turning &&
          answer.corners.some(({ collarMm }) => collarMm !== null) && (
            <Panel title="Start from a kit sheet" words="its collar readings first, then measure">
              <KitStart answer={answer} />
            </Panel>
          )}
        {casesAfter(answer).length > 1 && (
          <Panel title="In every load case" words="after this plan" open>
            <Cases answer={answer} />
          </Panel>
        )}
      </div>
    </>
  );
}

/** New springs lose some height once they have worked: the plan can aim above the target by that. */
function AimHigh() {
  const job = useThisJob();
  const seen = Object.values(job.record.document.machine.learnt?.settled ?? {}).map(({ lostMm }) => lostMm);
  const style = useLengthStyle(1);
  return (
    <div data-fields className="relative mb-4 flex items-end gap-3 max-md:block">
      <div className="w-44 shrink-0">
        <PathField
          path={['settlingMm']}
          label="Aim high for settling"
          showLabel
          order={1}
          placeholder={seen.length > 0 ? `${bareLength(meanOf(seen), style)} last time` : 'none'}
        />
      </div>
      <p className="label text-second pb-2">
        height that new springs lose at the wheel: the plan ends that much above its targets, and comes down
        to them.
      </p>
    </div>
  );
}

function Ways({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const ways = useMemo(() => alternativesFor(job.record, answer), [job.record, answer]);
  if (ways.length === 1)
    return <p className="text-second">There is no other: everything that can be moved is in this plan.</p>;
  return (
    <table className="w-full min-w-[640px]">
      <thead className="label text-second text-left">
        <tr>
          <th className="py-1 font-normal">way</th>
          <th className="px-3 py-1 text-right font-normal">in tolerance</th>
          <th className="px-3 py-1 text-right font-normal">most off target</th>
          <th className="px-3 py-1 font-normal">to move</th>
          <th className="px-3 py-1 font-normal">runs out first</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {ways.map((way) => (
          <WayRow key={way.way.id} way={way} />
        ))}
      </tbody>
    </table>
  );
}

function WayRow({ way }: { way: Alternative }) {
  const job = useThisJob();
  const style = useLengthStyle(1);
  const { title, why } = wayWords(way.way, (mm) => lengthText(mm, style));
  const navigate = useNavigate();
  const take = () => {
    job.actions.record(`${title}: plan issued, round ${way.answer.state.current + 1}`, planFact(way.answer));
    void navigate(`/jobs/${job.record.id}/turn`);
  };
  const mayTake = way.way.id !== 'plan' && !way.bought && !job.state.turning && way.moved.length > 0;
  return (
    <tr className="border-rule border-t align-top" data-way={way.way.id}>
      <td className="max-w-56 py-1.5">
        <b>{title}</b>
        <span className="label text-second block">{why}</span>
      </td>
      <td className="figures px-3 py-1.5 text-right font-semibold">
        <SumFigure name={`In 100 land: ${title}`} sum={() => chanceSum(way.answer, 'after')}>
          {Math.round(100 * (way.answer.chanceAfter ?? 0))}
        </SumFigure>
      </td>
      <td className="px-3 py-1.5 text-right">
        {way.offMm === null ? (
          '—'
        ) : (
          <SumFigure name={`Furthest off: ${title}`} sum={() => furthestSum(way, title)}>
            <Length mm={way.offMm} />
          </SumFigure>
        )}
      </td>
      <td className="label px-3 py-2">{movedWords(way)}</td>
      <td className="label px-3 py-2">{way.worst ? <MarginLine margin={way.worst} /> : '—'}</td>
      <td className="py-1.5 text-right">
        {mayTake && (
          <Button className="whitespace-nowrap" onClick={take} aria-label={`Use this plan: ${title}`}>
            Use this plan
          </Button>
        )}
        {way.bought && <span className="label text-second">needs the part</span>}
      </td>
    </tr>
  );
}

function movedWords({ moved, answer }: Alternative): string {
  if (moved.length === 0) return 'nothing';
  return moved.length === answer.corners.length
    ? `all ${moved.length}`
    : moved.map((id) => cornerNames[id]).join(', ');
}

/** Heights and the first limit of each load case that differs from the others. */
function Cases({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const { marginsByCase: margins } = analyseTried(job.record, answer);
  return (
    <table className="w-full min-w-[560px]">
      <thead className="label text-second text-left">
        <tr>
          <th className="py-1 font-normal">load case</th>
          {answer.corners.map(({ id }) => (
            <th key={id} className="px-3 py-1 text-right font-normal">
              {cornerNames[id]}
            </th>
          ))}
          <th className="px-3 py-1 font-normal">runs out first</th>
        </tr>
      </thead>
      <tbody>
        {casesAfter(answer).map(({ loadCase, index, heightsMm }) => {
          const worst = margins.find((one) => one.loadCase === loadCase)?.margins.find(dependsOnLoad);
          return (
            <tr key={loadCase} className="border-rule border-t" data-case={loadCase}>
              <td className="py-1.5 font-medium">{capital(loadCase)}</td>
              {heightsMm.map((mm, k) => (
                <td key={answer.corners[k]?.id} className="px-3 py-1.5 text-right">
                  <CaseHeight answer={answer} k={index} corner={answer.corners[k]} mm={mm} />
                </td>
              ))}
              <td className="label px-3 py-1.5">{worst ? <MarginLine margin={worst} /> : '—'}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface CaseHeightProps {
  answer: Answer;
  /** Place of the load case among the owner's. */
  k: number;
  corner: CornerAnswer | undefined;
  mm: number;
}

function CaseHeight({ answer, k, corner, mm }: CaseHeightProps) {
  if (!corner) return null;
  const name = `Height, ${answer.document.cases[k] ?? ''}, ${cornerNames[corner.id]}`;
  return (
    <SumFigure name={name} sum={() => caseHeightSum(answer, corner, k)}>
      <Length mm={mm} decimals={0} />
    </SumFigure>
  );
}
