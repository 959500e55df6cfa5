import { collarSeat } from '#core/adjusting/alongDamper.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { damperWay } from '#words/instruction.ts';
import { CollarPicture } from '../../drawing/CollarPicture.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { AssumedMark } from './AssumedMark.tsx';

/** Which way a collar goes along its damper, drawn and in words; nothing where it does not sit on one. */
export function AlongDamper({ id, by }: { id: CornerId; by: number }) {
  const { document } = useThisJob().record;
  const seat = collarSeat(document, id);
  if (!seat || by === 0) return null;
  return (
    <span className="block text-[15px] leading-6 font-normal" data-testid={`along-${id}`} data-way={seat.at}>
      <span className="mr-1 inline-block align-middle">
        <CollarPicture at={seat.at} by={by} height={36} />
      </span>
      {damperWay(seat.at, by)}
      {seat.assumed && <AssumedMark />}
    </span>
  );
}
