import { isSaid } from '#core/document/spring.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { isTurned } from '#core/kinds/adjusters/index.ts';
import { axleOf } from '#core/kinds/corners.ts';
import { carriedBy, type Carried } from '#core/planning/carriedLoad.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { capital } from '../../ui/words.ts';
import { SizeLength } from '../../ui/Figure.tsx';

/** What a load lowers each end by, and the preload that takes it back: worked out, with its spread. */
export function LoadCarried({ load, name }: { load: number; name: string }) {
  const { answer } = useThisJob();
  const ends = answer ? carriedBy(answer, load) : [];
  if (ends.length === 0) return null;
  return (
    <ul className="label">
      {ends.map((end) => (
        <li key={end.axle}>
          {name && <b>{capital(name)}</b>} <End end={end} />
        </li>
      ))}
    </ul>
  );
}

function End({ end }: { end: Carried }) {
  const { document } = useThisJob().record;
  const { axle, dropMm, dropSdMm, seatMm, seatSdMm } = end;
  const corners = cornersIn(document).filter((id) => axleOf(id) === axle);
  const turned = corners.every(
    (id) => isTurned(document.corners[id].fitting) && document.corners[id].adjustable,
  );
  const assumed = !corners.every((id) => document.corners[id].springs.some(isSaid));
  return (
    <>
      {dropMm > 0 ? 'lowers' : 'lifts'} the {axle} ≈ <SizeLength mm={Math.abs(dropMm)} bare /> ±{' '}
      <SizeLength mm={dropSdMm} />.{' '}
      {turned && (
        <>
          {seatMm > 0 ? 'More' : 'Less'} preload of ≈ <SizeLength mm={Math.abs(seatMm)} bare /> ±{' '}
          <SizeLength mm={seatSdMm} /> takes that back.{' '}
        </>
      )}
      {assumed && <span className="text-second">Its springs are assumed.</span>}
    </>
  );
}
