import { collarSeat } from '#core/adjusting/alongDamper.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { capital } from '../../ui/words.ts';
import { pathWords } from '#words/fields.ts';
import { useSides } from '../../jobStore/bothSides.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';

/**
 * The end of the damper that the caliper is held against. Which way its reading goes follows from that and from where the
 * collar sits, so that nobody is asked whether it grows.
 */
export function CaliperEnd({ id }: { id: CornerId }) {
  const job = useThisJob();
  const { document } = job.record;
  const seat = collarSeat(document, id);
  const path = ['corners', id, 'collar', 'grows'];
  const where = useSides().named(id);
  // A seat apart from its damper has no end of it to go by.
  const [away, towards] = seat
    ? seat.at === 'above'
      ? ['the damper’s top end', 'the damper’s bottom end']
      : ['the damper’s bottom end', 'the damper’s top end']
    : ['the side away from the spring', 'the spring’s side'];
  return (
    <Select
      label={capital(pathWords(path, where))}
      look="w-full text-[13px] [font-stretch:72%]"
      value={document.corners[id].collar.grows}
      options={[
        { value: 'with-seat', words: away },
        { value: 'against-seat', words: towards },
      ]}
      onChange={(to) => job.actions.change(capital(pathWords(path, where)), [path, to])}
    />
  );
}
