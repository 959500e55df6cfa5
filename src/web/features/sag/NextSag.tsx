import { promptWords } from '#words/sagPrompts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { nextReading } from '#core/sag/prompts.ts';
import { capital } from '../../ui/words.ts';

interface Props {
  round: number;
  rider: string;
  /** Whether it is read pressed and lifted. */
  pressing: boolean;
  fresh: boolean;
}

/** Where the tape goes next, in the order in which one helper gets through it soonest. */
export function NextSag({ round, rider, pressing, fresh }: Props) {
  const job = useThisJob();
  const { document } = job.record;
  const extended = cornersIn(document).filter((id) =>
    job.state.rounds.some(({ sag }) => (sag[id]?.extended.length ?? 0) > 0),
  );
  const sag = job.state.rounds[round]?.sag ?? {};
  const next = nextReading(document, rider, { sag, extended, pressing });
  const told = next && promptWords(document, next);
  if (job.state.locked) return null;
  return (
    <div className="border-rule mx-4 flex flex-wrap items-end gap-x-6 gap-y-1 border-b py-2 print:hidden">
      <p className="min-w-0 flex-1 narrow:basis-full" data-testid="next-sag">
        {next && told ? (
          <>
            <span className="label text-second block">Read next: {told.where}.</span>
            <button
              type="button"
              className="text-action text-head text-left leading-7 font-bold"
              onClick={() => focusSlot(next.id, next.slot)}
            >
              {capital(told.say)}
            </button>
          </>
        ) : (
          'All is read. Read it once more to see how well it repeats.'
        )}
      </p>
      {!fresh && (
        <Link
          to={`/jobs/${job.record.id}/tape`}
          className="text-action label flex min-h-8 items-center font-semibold underline underline-offset-4"
        >
          For the helper with the tape
        </Link>
      )}
    </div>
  );
}

function focusSlot(id: string, slot: string): void {
  document.querySelector<HTMLInputElement>(`[data-corner="${id}"] [data-slot="${slot}"] input`)?.focus();
}
