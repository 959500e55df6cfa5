import { cornerNames } from '#core/kinds/corners.ts';
import { ringsByGap } from '#core/planning/ringByGap.ts';
import { isByBlock } from '../rings/byBlock.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length } from '../../ui/Figure.tsx';

/** Gaps that rings were left at, where they were set by their gap alone; nothing where none was read. */
export function HandoverRings() {
  const { record, state, facts } = useThisJob();
  const read = ringsByGap(record.document, state).filter(({ nowMm }) => nowMm !== null);
  if (read.length === 0) return null;
  return (
    <p className="mt-4">
      Ring gaps:{' '}
      {read.map(({ id, nowMm, readAgain }, k) => (
        <span key={id}>
          {k > 0 && ', '}
          {cornerNames[id]} <Length mm={nowMm ?? 0} />
          {readAgain ? ' before its seat moved' : isByBlock(facts, id) ? ' by block' : ''}
        </span>
      ))}
      .
    </p>
  );
}
