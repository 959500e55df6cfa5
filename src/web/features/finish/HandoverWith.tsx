import { aboardIn } from '#core/document/loadCases.ts';
import { turnedPartWords } from '#words/turnedPart.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Mass } from '../../ui/Measure.tsx';

/** What was aboard as the heights of this sheet were read, and that only a part was set; nothing where there is nothing to say. */
export function HandoverWith() {
  const { record, state } = useThisJob();
  const { document } = record;
  const now = aboardIn(document, state.rounds.at(-1)?.loadCase ?? 0);
  const on = document.loads.filter((_, i) => now[i]);
  if (document.turnOnly === null && document.loads.length === 0) return null;
  return (
    <p className="mt-4">
      {document.turnOnly && <>Set: {turnedPartWords(document.turnOnly)}. The rest was left as it stood. </>}
      {document.loads.length > 0 && (
        <>
          Read with aboard:{' '}
          {on.length === 0
            ? 'nothing that is named'
            : on.map(({ name, kg }, k) => (
                <span key={k}>
                  {k > 0 && ', '}
                  {name} <Mass kg={kg} decimals={0} />
                </span>
              ))}
          .
        </>
      )}
    </p>
  );
}
