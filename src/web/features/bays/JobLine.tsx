import { useTell } from '../../ui/settings.ts';
import { dayWords } from '#words/day.ts';
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
  /** ISO day it is due back, where the list tells of that. */
  due?: string | null;
  /** What can be done with the job as a whole. */
  menu?: ReactNode;
}

/** One job as one line of the day. */
export function JobLine({ job, unsent = false, due = null, menu }: Props) {
  const tell = useTell();
  const footprint = { class: job.machineClass, wheelbaseMm: null, trackFrontMm: null, trackRearMm: null };
  return (
    <li className="border-rule flex items-center border-b">
      <Link
        to={`/jobs/${job.id}/${job.next.stage}`}
        className="hover:bg-sheet grid min-w-0 flex-1 grid-cols-[116px_minmax(180px,1.1fr)_minmax(200px,1fr)_minmax(300px,1.6fr)_120px] items-center gap-x-6 py-3 max-lg:grid-cols-[116px_1fr_1fr] max-sm:grid-cols-[88px_1fr]"
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
        <span
          className={`label text-right max-lg:text-left ${unsent ? 'text-tight font-semibold' : 'text-second'} max-sm:col-start-2`}
        >
          {due && <span className="text-ink block font-semibold">due {dayWords(due)}</span>}
          {unsent ? 'not sent yet' : `${formatDistanceToNow(new Date(job.updatedAt))} ago`}
        </span>
      </Link>
      {due && job.about.phone && (
        <a
          href={`tel:${job.about.phone.replace(/[^\d+]/g, '')}`}
          aria-label={`Call about ${job.name}: ${job.about.phone}`}
          className="text-action min-h-11 content-center px-3 font-semibold whitespace-nowrap max-sm:px-1"
        >
          {job.about.phone}
        </a>
      )}
      {menu}
    </li>
  );
}
