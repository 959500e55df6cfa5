import { promptWords } from '#words/sagPrompts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { sagWish } from '#core/document/sagWish.ts';
import { isSagRead } from '#core/estimate/sagEvidence.ts';
import { nextReading, sagEndsOf } from '#core/sag/prompts.ts';
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
        ) : job.next.code === 'read-sag-again' ? (
          <ReadAgain corners={job.next.corners} />
        ) : (
          <AllRead />
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

/** In its window, and so near an edge that one more reading tells more than a turn. */
function ReadAgain({ corners }: { corners: readonly CornerId[] }) {
  return (
    <>
      <span className="label text-second block">
        {capital(corners.map((id) => cornerNames[id]).join(', '))}
      </span>
      <b className="text-head block leading-7">In its window, near the edge. Read it once more.</b>
      <span className="label text-second block">Fully extended too. Pressed and lifted tells most.</span>
    </>
  );
}

/** What there still is to read where everything that the plan needs was read. */
function AllRead() {
  const { record, state } = useThisJob();
  const { document } = record;
  const missing = sagEndsOf(document).filter(
    (id) =>
      sagWish(document, id)?.who === 'ridden' &&
      isSagRead(state, id, 'ridden') &&
      !isSagRead(state, id, 'alone'),
  );
  if (missing.length === 0) return 'All is read. Read it once more to see how well it repeats.';
  return (
    <>
      All is read that the setting needs.
      <span className="label text-second block">
        Read with nobody on too, and the spring can be judged:{' '}
        {missing.map((id) => cornerNames[id]).join(', ')}.
      </span>
    </>
  );
}

function focusSlot(id: string, slot: string): void {
  document.querySelector<HTMLInputElement>(`[data-corner="${id}"] [data-slot="${slot}"] input`)?.focus();
}
