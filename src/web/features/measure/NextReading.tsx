import { useThisJob } from '../../jobStore/jobContext.ts';
import { referenceKinds } from '#core/geometry/reference.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { wantsAnother } from '#core/document/repeats.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { cornerNumbers } from '../../ui/words.ts';

const ORDINALS = ['first', 'second', 'third'];
const SETTLE_FIRST = 'Settle it first. Then read ';
const APART = 'Two readings there do not agree: read ';

/**
 * Where the tape goes next, and how this point is read: once round the machine, then once more, then a third time wherever
 * two readings do not agree.
 */
export function NextReading({ round, slots }: { round: number; slots: readonly string[] }) {
  const job = useThisJob();
  const ids = cornersIn(job.record.document);
  const readAt = (id: CornerId) =>
    job.facts.flatMap(({ fact }) =>
      fact.kind === 'height' && fact.round === round && fact.corner === id ? [fact] : [],
    );
  const next = slots
    .flatMap((slot, k) => ids.map((id) => ({ slot, id, k, there: readAt(id) })))
    .find(
      ({ slot, there }) => there.every((one) => one.slot !== slot) && wantsAnother(there.map(({ mm }) => mm)),
    );
  if (!next || job.state.locked) return null;
  const { id, k } = next;
  const settled = job.state.rounds[round]?.settled ?? null;
  const corner = job.record.document.corners[id];
  const reference = referenceKinds[corner.reference.kind];
  return (
    <p className="label text-second border-rule mx-4 border-b py-2 print:hidden" data-testid="next-reading">
      {settled === null && k === 0 ? SETTLE_FIRST : k >= 2 ? APART : 'Read '}
      <button
        type="button"
        className="text-action font-semibold underline underline-offset-4"
        onClick={() =>
          document
            .querySelector<HTMLInputElement>(
              `[data-corner="${id}"] [data-order="${10 * (k + 1) + cornerNumbers[id]}"]`,
            )
            ?.focus()
        }
      >
        {cornerNames[id]}, {ORDINALS[k] ?? 'next'} reading
      </button>
      : {reference.title}, {reference.how}.{' '}
      {k === 1 && 'Two readings that agree are better than one careful reading.'}
    </p>
  );
}
