import { useThisJob } from '../../jobStore/jobContext.ts';
import { referenceKinds } from '#core/geometry/reference.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNumbers } from '../../features/job/words.ts';

const ORDINALS = ['first', 'second', 'third'];

/** Where the tape goes next: once round the machine, then once more, with how this point is read. */
export function NextReading({ round, slots }: { round: number; slots: readonly string[] }) {
  const job = useThisJob();
  const ids = cornersIn(job.record.document);
  const has = (slot: string, id: string) =>
    job.facts.some(
      ({ fact }) =>
        fact.kind === 'height' && fact.round === round && fact.slot === slot && fact.corner === id,
    );
  const next = slots
    .flatMap((slot, k) => ids.map((id) => ({ slot, id, k })))
    .find(({ slot, id }) => !has(slot, id));
  if (!next || job.state.locked) return null;
  const { id, k } = next;
  const settled = job.state.rounds[round]?.settled ?? null;
  const corner = job.record.document.corners[id];
  const reference = referenceKinds[corner.reference.kind];
  const enough = k >= 1;
  return (
    <p className="label text-second border-rule mx-4 border-b py-2 print:hidden" data-testid="next-reading">
      {settled === null && k === 0
        ? 'Settle it first. Then read '
        : enough
          ? 'One more round: read '
          : 'Read '}
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
      {enough && 'Two agreeing rounds are worth more than one careful one.'}
    </p>
  );
}
