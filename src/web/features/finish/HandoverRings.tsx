import { cornerNames } from '#core/kinds/corners.ts';
import { ringWays, type RingWay } from '#core/kinds/ringWays.ts';
import { ringWork, type RingWork } from '#core/planning/ringWork.ts';
import { isByBlock } from '../rings/byBlock.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length } from '../../ui/Figure.tsx';

const heads: Record<RingWay, string> = {
  gap: 'Ring gaps',
  seat: 'Rings from the seat',
  edge: 'Rings wanted from the edge of the collar, as they stand',
  second: 'Rings from the second edge',
};

/** Where rings were left of whose springs nothing is known, in each way that was used; nothing where none was read. */
export function HandoverRings() {
  const { record, state } = useThisJob();
  const read = ringWork(record.document, state).filter(({ nowMm }) => nowMm !== null);
  const { hanging } = record.document.ringReading;
  return ringWays.map((way) => {
    const ofWay = read.filter(({ by }) => by === way);
    return ofWay.length === 0 ? null : (
      <p key={way} className="mt-4">
        {heads[way]}
        {way === 'gap' && hanging ? ', wheels hanging' : ''}:{' '}
        {ofWay.map((ring, k) => (
          <span key={ring.id + ring.ring}>
            {k > 0 && ', '}
            <Left ring={ring} />
          </span>
        ))}
        .
      </p>
    );
  });
}

function Left({ ring }: { ring: RingWork }) {
  const { facts } = useThisJob();
  return (
    <>
      {cornerNames[ring.id]}
      {ring.ring === 1 && ', second'} <Length mm={ring.nowMm ?? 0} />
      {ring.readAgain === 'seat'
        ? ' before its seat moved'
        : ring.readAgain === 'ring'
          ? ' before it was set'
          : isByBlock(facts, ring)
            ? ' by block'
            : ''}
    </>
  );
}
