import { isOf } from '#core/document/facts.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { ringsByPlace } from '#core/planning/ringByPlace.ts';
import { dayWords } from '#words/day.ts';
import { newPartNames } from '#words/newParts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';
import { Torques } from '../sheet/GoesBack.tsx';

/** What went in during the job, with its day, and where rings stand by their edge; nothing where neither is known. */
export function HandoverFitted() {
  const { facts, record, state } = useThisJob();
  const fitted = facts.flatMap(({ at, fact }) => (isOf('fitted')(fact) ? [{ at, ...fact }] : []));
  const rings = ringsByPlace(record.document, state);
  return (
    <>
      {fitted.length > 0 && (
        <section aria-label="What is new" className="mt-4">
          <h2 className="font-semibold">New</h2>
          <ul>
            {fitted.map(({ at, round, slot, part, axle, corner, words }) => (
              <li key={`${round}-${slot}-${corner ?? ''}`}>
                {capital(newPartNames[part])}, {corner ? cornerNames[corner] : axle}
                {words && `: ${words}`}
                <span className="text-second">, {dayWords(at)}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Torques />
      {rings.length > 0 && (
        <p className="mt-4">
          Rings stand at{' '}
          {rings.map(({ id, ring, atMm }, k) => (
            <span key={id + ring}>
              {k > 0 && ', '}
              {cornerNames[id]}
              {ring === 1 && ', second'} <SizeLength mm={atMm} />
            </span>
          ))}
          , from the edge of the collar.
        </p>
      )}
    </>
  );
}
