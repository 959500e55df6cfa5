import { useTell } from '../../ui/settings.ts';
import { nextWords } from '#words/nextAction.ts';
import type { JobSummary } from '#core/analysis/summary.ts';
import { formatDistanceToNow } from 'date-fns';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { MachinePlan } from '../../drawing/MachinePlan.tsx';
import { MarginLine } from '../job/MarginWords.tsx';
import { capital } from '../../ui/words.ts';
import { roundWords } from '#words/fields.ts';

interface Props {
  job: JobSummary;
  unsent?: boolean;
  /** It is due back: whom to call matters more than when it was touched. */
  due?: boolean;
  /** What can be done with the job as a whole. */
  menu?: ReactNode;
}

const wide = {
  plain: 'grid-cols-[116px_minmax(180px,1.1fr)_minmax(200px,1fr)_minmax(300px,1.6fr)_120px]',
  due: 'grid-cols-[116px_minmax(180px,1.1fr)_minmax(200px,1fr)_minmax(300px,1.6fr)]',
};

/** One job as one line of the day. */
export function JobLine({ job, unsent = false, due = false, menu }: Props) {
  const tell = useTell();
  const call = due ? job.about.phone : '';
  const footprint = { class: job.machineClass, wheelbaseMm: null, trackFrontMm: null, trackRearMm: null };
  return (
    <li className="border-rule flex items-center border-b max-sm:flex-wrap">
      <Link
        to={`/jobs/${job.id}/${job.next.stage}`}
        className={`hover:bg-sheet grid min-w-0 flex-1 ${call ? wide.due : wide.plain} items-center gap-x-6 py-3 max-lg:grid-cols-[116px_1fr_1fr] max-sm:grid-cols-[88px_1fr]`}
      >
        <span className="row-span-2 flex justify-center lg:row-span-1">
          <MachinePlan footprint={footprint} moves={job.toGoMm} width={112} lying />
        </span>
        <span>
          <span className="text-head block font-semibold">{job.name}</span>
          <span className="text-second block">
            {[job.title || classDefaults[job.machineClass].title, job.about.plate, job.about.customer]
              .filter(Boolean)
              .join(' · ')}
          </span>
        </span>
        <span>
          <span className="text-action block text-[17px] font-semibold">
            {capital(nextWords(job.next, tell))}
          </span>
          <span className="text-second label block">{roundWords(job.round)}</span>
        </span>
        <span className="max-lg:col-start-2">
          {job.worst ? (
            <MarginLine margin={job.worst} />
          ) : (
            <span className="text-second">No readings yet</span>
          )}
        </span>
        {!call && (
          <span
            className={`label text-right max-lg:text-left ${unsent ? 'text-tight font-semibold' : 'text-second'} max-sm:col-start-2`}
          >
            {unsent ? 'not sent yet' : `${formatDistanceToNow(new Date(job.updatedAt))} ago`}
          </span>
        )}
      </Link>
      {call && (
        <a
          href={`tel:${call.replace(/[^\d+]/g, '')}`}
          aria-label={`Call about ${job.name}: ${call}`}
          className="text-action min-h-11 w-36 content-center text-right font-semibold max-lg:w-auto max-sm:order-last max-sm:w-full max-sm:pl-[112px] max-sm:text-left"
        >
          {call}
        </a>
      )}
      {menu}
    </li>
  );
}
