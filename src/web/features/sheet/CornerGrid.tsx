import { byCorner, plannedMoves } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { ReactNode } from 'react';
import { axleOf, cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { setEnds } from '#core/document/sagWish.ts';
import { footingOf } from '#core/kinds/classes/index.ts';
import type { CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { MachinePlan } from '../../drawing/MachinePlan.tsx';
import { TravelRule } from '../../drawing/TravelRule.tsx';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { ruleData } from './ruleData.ts';

/** mm. Less than this nobody sees: it draws no arrow. */
const SEEN_MM = 0.5;

interface Props {
  /** The words and fields of a corner. */
  corner: (id: CornerId, answer: CornerAnswer | null) => ReactNode;
  /** Whether rules and wheels show where the plan leads. */
  showPlan: boolean;
}

/** Every corner that is set where it really is, a travel rule at each edge, the machine from above between them. */
export function CornerGrid({ corner, showPlan }: Props) {
  const job = useThisJob();
  const moves = Object.fromEntries(
    (job.answer ? plannedMoves(job.answer) : []).map(({ id, riseMm }) => [
      id,
      showPlan && Math.abs(riseMm) >= SEEN_MM ? riseMm : null,
    ]),
  );
  const corners = setEnds(job.record.document);
  // One damper on the centre line stands under the machine, over the whole width.
  const plan = corners.includes('RM') ? 'row-span-1' : 'row-span-2';
  const onTwo = footingOf(job.record.document.machine.class) === 'bikes';
  return (
    <div
      data-fields
      className={`grid flex-1 grid-cols-[minmax(0,1fr)_168px_minmax(0,1fr)] ${onTwo ? '' : 'grid-rows-2'} gap-y-1 px-3 pt-3 max-xl:not-narrow:grid-cols-[minmax(0,1fr)_90px_minmax(0,1fr)] narrow:grid-cols-1 narrow:grid-rows-none`}
    >
      {corners.map((id) => (
        <Corner key={id} id={id} showPlan={showPlan}>
          {corner(id, byCorner(job.answer)[id] ?? null)}
        </Corner>
      ))}
      <div
        className={`col-start-2 ${onTwo ? '' : plan} row-start-1 flex items-center justify-center px-1 narrow:hidden`}
      >
        <MachinePlan footprint={job.record.document.machine} moves={moves} width={168} lying={onTwo} />
      </div>
    </div>
  );
}

function Corner({ id, showPlan, children }: { id: CornerId; showPlan: boolean; children: ReactNode }) {
  const job = useThisJob();
  const right = id.startsWith('R') && id !== 'RM';
  const column =
    id === 'RM'
      ? 'wide:col-span-3 wide:col-start-1 wide:mx-auto'
      : right
        ? 'wide:col-start-3'
        : 'wide:col-start-1';
  const place = `${column} ${axleOf(id) === 'rear' && id !== 'RW' ? 'wide:row-start-2' : 'wide:row-start-1'}`;
  return (
    <section
      aria-label={cornerNames[id]}
      data-corner={id}
      className={`flex min-w-0 gap-2 ${right ? 'wide:flex-row-reverse' : ''} ${place}`}
    >
      <TravelRule
        name={cornerNames[id]}
        data={ruleData(job.record.document, job.answer, id, showPlan)}
        side={right ? 'right' : 'left'}
      />
      <div className={`min-w-0 flex-1 ${right ? 'wide:text-right' : ''}`}>
        <h2 className={`flex gap-1.5 font-semibold ${right ? 'wide:flex-row-reverse' : ''}`}>
          <span className="figures text-second" aria-hidden>
            {cornerNumbers[id]}
          </span>
          {capital(cornerNames[id])}
        </h2>
        {children}
      </div>
    </section>
  );
}
