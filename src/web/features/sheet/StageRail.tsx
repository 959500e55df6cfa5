import { useState } from 'react';
import { stagesOf, type Stage } from '#core/judgement/stages.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { stageStanding, stageTitles } from './stages.ts';

/**
 * The stages as marks on a rule down the left edge. Any may be opened at any time. On a phone only where one is stands there
 * until all are asked for.
 */
export function StageRail({ stage }: { stage: Stage }) {
  const job = useThisJob();
  // Folded again once another stage is open.
  const [unfoldedAt, setUnfoldedAt] = useState<Stage | null>(null);
  const unfolded = unfoldedAt === stage;
  return (
    <nav aria-label="Stages" className="print:hidden">
      <WhereNow stage={stage} unfolded={unfolded} onFold={() => setUnfoldedAt(unfolded ? null : stage)} />
      <ol
        className={`border-ink ${unfolded ? '' : 'narrow:hidden'} flex min-h-[calc(100vh-90px)] flex-col border-l-[1.5px] max-lg:min-h-0 max-lg:flex-row max-lg:flex-wrap wide:max-lg:flex-nowrap wide:max-lg:text-[13px] max-lg:border-t-[1.5px] max-lg:border-l-0`}
      >
        {stagesOf(job.record.document).map((one) => (
          <li
            key={one}
            className="relative flex min-h-[76px] flex-col max-lg:min-h-0 max-lg:flex-1 max-lg:basis-20 wide:max-lg:min-w-0 wide:max-lg:basis-0"
          >
            <span
              aria-hidden
              className="bg-ink absolute top-[14px] left-0 h-[1.5px] w-5 max-lg:top-0 max-lg:left-3 max-lg:h-3 max-lg:w-[1.5px]"
            />
            {[1, 2, 3].map((minor) => (
              <span
                key={minor}
                aria-hidden
                className="bg-second absolute left-0 h-px w-2.5 max-lg:hidden"
                style={{ top: 14 + minor * 19 }}
              />
            ))}
            <StageLink one={one} open={one === stage} />
          </li>
        ))}
      </ol>
    </nav>
  );
}

/** On a phone: the stage that is open, which of how many, and the way to the others. */
function WhereNow({ stage, unfolded, onFold }: { stage: Stage; unfolded: boolean; onFold: () => void }) {
  const job = useThisJob();
  const all = stagesOf(job.record.document);
  const { state, words } = stageStanding(stage, job);
  return (
    <div className="border-ink mb-2 flex items-center justify-between gap-3 border-t-[1.5px] pt-1 wide:hidden">
      <p className="min-w-0">
        <b className="text-action">{stageTitles[stage]}</b>{' '}
        <span className={`label ${state === 'look' ? 'text-tight' : 'text-second'}`}>{words}</span>
      </p>
      <button
        type="button"
        aria-expanded={unfolded}
        onClick={onFold}
        className="text-action min-h-11 shrink-0 font-semibold underline underline-offset-4"
      >
        {unfolded ? 'Fold stages' : `Stage ${all.indexOf(stage) + 1} of ${all.length}`}
      </button>
    </div>
  );
}

function StageLink({ one, open }: { one: Stage; open: boolean }) {
  const job = useThisJob();
  const { state, words } = stageStanding(one, job);
  const next = job.next.stage === one;
  return (
    <Link
      to={`/jobs/${job.record.id}/${one}`}
      aria-current={open ? 'step' : undefined}
      className={`relative block min-h-11 py-1 pl-7 max-lg:pt-4 max-lg:pl-3 ${open ? 'text-action font-semibold' : next ? 'font-semibold' : ''}`}
    >
      {open && (
        <svg
          viewBox="0 0 12 14"
          width="12"
          height="14"
          aria-hidden
          className="absolute top-2 -left-3 max-lg:top-0 max-lg:left-1 max-lg:rotate-90"
        >
          <path d="M0 0L12 7L0 14Z" fill="var(--action)" />
        </svg>
      )}
      {stageTitles[one]}
      <span className={`label block font-normal ${state === 'look' ? 'text-tight' : 'text-second'}`}>
        {state === 'done' && <span className="sr-only">done: </span>}
        {state === 'look' && <span className="sr-only">needs a look: </span>}
        {words}
        {state === 'done' && <span aria-hidden> ✓</span>}
      </span>
    </Link>
  );
}
