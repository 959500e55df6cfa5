import { cornersIn } from '#core/kinds/classes/index.ts';
import { isInPart, type TurnedPart } from '#core/document/turnedPart.ts';
import { turnedPartWords } from '#words/turnedPart.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';

const parts: readonly TurnedPart[] = ['front', 'rear', 'left', 'right'];

/** Which end or side is turned now; the rest is watched. */
export function PartChoice({ stacked = false }: { stacked?: boolean }) {
  const job = useThisJob();
  const { document } = job.record;
  const ids = cornersIn(document);
  // A part that is all of the machine, or none of it, is no choice.
  const offered = parts.filter((part) => {
    const own = ids.filter((id) => isInPart(part, id));
    return own.length > 0 && own.length < ids.length;
  });
  if (offered.length === 0) return null;
  return (
    <label className={`min-w-0 ${stacked ? '' : 'flex items-center gap-2'}`}>
      <span className={`label text-second ${stacked ? 'block' : ''}`}>Turn now</span>
      <Select
        label="Turn now"
        look={stacked ? 'w-full pr-2' : 'pr-2'}
        value={document.turnOnly ?? ''}
        options={[
          { value: '', words: 'all of it' },
          ...offered.map((part) => ({ value: part, words: turnedPartWords(part) })),
        ]}
        onChange={(to) =>
          job.actions.change(to ? `Turn ${turnedPartWords(to as TurnedPart)}` : 'Turn all of it', [
            ['turnOnly'],
            to || null,
          ])
        }
      />
    </label>
  );
}
