import { byCorner, type Answer } from '#core/planning/answerShape.ts';
import type { CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerHeight } from '#core/figures/cornerHeight.ts';
import { cautionList } from '#words/cautions.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { collarSum, heightNowSum, offSum } from '#words/explain/cornerSums.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { capital } from '../../ui/words.ts';
import { MeasuredLength } from '../../ui/FigureKinds.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { Cautions } from '../turn/Cautions.tsx';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { CloseOutSections } from './CloseOutSections.tsx';
import { isSagJob } from '#core/document/sagWish.ts';
import { HandoverSag } from './HandoverSag.tsx';
import { Learnt } from './Learnt.tsx';
import { Lock } from './Lock.tsx';
import { ToleranceAsked } from './ToleranceAsked.tsx';
import { OpenPoints } from './OpenPoints.tsx';
import { FromInstrument } from '../instruments/FromInstrument.tsx';
import { Footer } from '../sheet/Footer.tsx';

/** Where it ended, what was learnt, and the lock. */
export function CloseOutStage() {
  const job = useThisJob();
  const { answer, state } = job;
  return (
    <div className="flex flex-1 flex-col">
      <div className="px-4 py-5">
        <h2 className="text-head font-semibold">{headline(job)}</h2>
        <ToleranceAsked />
        <Heights />
        {answer && <HandoverSag answer={answer} />}
        {!state.locked && <OpenPoints />}
        {answer && <Learnt answer={answer} />}
      </div>
      <CloseOutSections />
      <Cautions title="Before it goes out" list={cautionList('close-out', job.record.document)} />
      <div className="flex-1" />
      <FromInstrument />
      <Footer>
        <Lock />
      </Footer>
    </div>
  );
}

function headline({ answer, state, record }: Job): string {
  const bySag = isSagJob(record.document);
  if (state.locked) return bySag ? 'Locked at this sag.' : 'Locked at these heights.';
  if (!answer || answer.chanceNow === null) return 'Nothing to close yet: it needs targets and readings.';
  const open = analysisOf(record).openPoints.length;
  if (open === 0 && bySag) return 'In its window. Tighten every lock ring and cap.';
  if (open === 0) return 'In tolerance. Lock every ring and tighten the bushes at this height.';
  return `Not finished: ${open} ${open === 1 ? 'point is' : 'points are'} open.`;
}

/** Whether anything of the table is known or asked for of a corner: of a job by sag no height is. */
function isListed(answer: Answer, corner: CornerAnswer | undefined): boolean {
  if (!corner) return false;
  const { measured } = cornerHeight(answer, corner.id);
  return corner.spec.targetMm !== null || measured !== null || corner.collarMm !== null;
}

function Heights() {
  const job = useThisJob();
  const { answer } = job;
  if (!answer) return null;
  const corners = byCorner(answer);
  const ids = cornersIn(job.record.document).filter((id) => isListed(answer, corners[id]));
  if (ids.length === 0) return null;
  return (
    <table className="mt-4 w-full max-w-2xl">
      <thead className="label text-second text-left">
        <tr>
          <th className="py-1 font-normal">corner</th>
          <th className="py-1 pl-2 text-right font-normal">height</th>
          <th className="py-1 pl-2 text-right font-normal">target</th>
          <th className="py-1 pl-2 text-right font-normal">off by</th>
          <th className="py-1 pl-2 text-right font-normal">collar reads</th>
        </tr>
      </thead>
      <tbody>
        {ids.flatMap((id) => {
          const corner = corners[id];
          if (!corner) return [];
          const { measured } = cornerHeight(answer, id);
          const { targetMm } = corner.spec;
          const off = targetMm === null || !measured ? null : measured.value - targetMm;
          const out = off !== null && Math.abs(off) > answer.tolerance.value;
          return [
            <tr key={id} className="border-rule border-t">
              <td className="py-1.5">{capital(cornerNames[id])}</td>
              <td className="py-1.5 pl-2 text-right font-semibold">
                {measured ? (
                  <SumFigure
                    name={`Measured height, ${cornerNames[id]}`}
                    sum={() => heightNowSum(corner, answer)}
                  >
                    <MeasuredLength figure={measured} className="text-[18px]" below="" />
                  </SumFigure>
                ) : (
                  <span className="text-second font-normal">
                    {targetMm === null ? '—' : 'not measured yet'}
                  </span>
                )}
              </td>
              <td className="py-1.5 pl-2 text-right">{targetMm === null ? '—' : <Length mm={targetMm} />}</td>
              <td className={`py-1.5 pl-2 text-right ${out ? 'text-short font-semibold' : ''}`}>
                {off === null ? (
                  '—'
                ) : (
                  <SumFigure name={`Off by, ${cornerNames[id]}`} sum={() => offSum(corner, answer)}>
                    <Length mm={off} signed />
                  </SumFigure>
                )}
                {out && <span className="block text-[13px] leading-4">out</span>}
              </td>
              <td className="py-1.5 pl-2 text-right">
                {corner.collarMm === null ? (
                  '—'
                ) : (
                  <SumFigure name={`Collar reads, ${cornerNames[id]}`} sum={() => collarSum(corner, answer)}>
                    <SizeLength mm={corner.collarMm} />
                  </SumFigure>
                )}
                {corner.collarMm !== null &&
                  answer.state.rounds[answer.state.current]?.collars[id] === undefined && (
                    <span className="label text-second block leading-4">by what was turned</span>
                  )}
              </td>
            </tr>,
          ];
        })}
      </tbody>
    </table>
  );
}
