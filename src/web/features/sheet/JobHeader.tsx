import { useThisJob } from '../../jobStore/jobContext.ts';
import type { Entry } from '#core/document/types.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { HeaderSlot } from '../../ui/headerSlot.tsx';
import { capital } from '../../ui/words.ts';
import { roundWords } from '#words/fields.ts';
import { Button } from '../../ui/Button.tsx';
import { AboutJob } from './AboutJob.tsx';

const byWhom = ({ by }: Entry) => (by ? `, by ${by}` : '');

/** What job this is, what is on board, which round; and the way back. */
export function JobHeader() {
  const job = useThisJob();
  const { document } = job.record;
  const round = job.state.rounds[job.state.current];
  const last = job.history.undo.at(-1);
  const next = job.history.redo.at(-1);
  return (
    <HeaderSlot.Fill>
      <title>{`${document.name} · Margin`}</title>
      <div className="min-w-0">
        <div className="flex items-center gap-1">
          <h1 className="truncate font-semibold">{document.name}</h1>
          <AboutJob />
        </div>
        <p className="label text-second truncate">
          {[document.machine.title || classDefaults[document.machine.class].title, document.about.plate]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </div>
      <div className="min-w-0 max-lg:hidden">
        <p className="label text-second">Load</p>
        <p className="truncate font-medium">{document.load || 'not said'}</p>
      </div>
      <div className="max-lg:hidden">
        <p className="label text-second">Round</p>
        <p className="font-medium whitespace-nowrap">
          {capital(roundWords(job.state.current))}
          {round?.settled ? `, ${round.settled}` : ''}
        </p>
      </div>
      <Button
        look="quiet"
        disabled={!last}
        onClick={() => job.actions.undo()}
        title={last ? `Undo: ${last.label}${byWhom(last)} (Ctrl Z)` : 'Nothing to undo'}
        className="max-lg:ml-auto print:hidden"
      >
        Undo
      </Button>
      <Button
        look="quiet"
        disabled={!next}
        onClick={() => job.actions.redo()}
        title={next ? `Redo: ${next.label}${byWhom(next)} (Ctrl Shift Z)` : 'Nothing to redo'}
        className="print:hidden"
      >
        Redo
      </Button>
    </HeaderSlot.Fill>
  );
}
