import { stagesOf, type Stage } from '#core/judgement/stages.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { stageStanding, stageTitles } from './stages.ts';

/** The stages as marks on a rule down the left edge. Any may be opened at any time. */
export function StageRail({ stage }: { stage: Stage }) {
  const job = useThisJob();
  return (
    <nav aria-label="Stages" className="print:hidden">
      <ol className="border-ink flex min-h-[calc(100vh-90px)] flex-col border-l-[1.5px] max-lg:min-h-0 max-lg:flex-row max-lg:flex-wrap max-lg:border-t-[1.5px] max-lg:border-l-0">
        {stagesOf(job.record.document).map((one) => (
          <li
            key={one}
            className="relative flex min-h-[76px] flex-col max-lg:min-h-0 max-lg:flex-1 max-lg:basis-20"
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
