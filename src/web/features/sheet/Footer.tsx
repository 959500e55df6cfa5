import { useTell } from '../../ui/settings.ts';
import { nextWords } from '#words/nextAction.ts';
import type { Stage } from '#core/judgement/stages.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { capital } from '../../ui/words.ts';

/** The line under the sheet: where it stands, and the next action at its right end. It stays in sight however long the sheet. */
export function Footer({ children }: { children: ReactNode }) {
  return (
    <footer className="bg-sheet bottom-0 z-10 px-4 md:sticky print:hidden">
      <div className="border-rule flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2 border-t py-2.5">
        {children}
      </div>
    </footer>
  );
}

/** The way to the next action, unless it is this stage's own. */
export function NextLink({ from }: { from: Stage }) {
  const job = useThisJob();
  const tell = useTell();
  if (job.next.stage === from) return null;
  return (
    <Link
      to={`/jobs/${job.record.id}/${job.next.stage}`}
      className="bg-action text-on-action ml-auto flex min-h-9 items-center px-4 py-1 font-semibold"
      data-testid="next"
    >
      {capital(nextWords(job.next, tell))}
    </Link>
  );
}
