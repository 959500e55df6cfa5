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
    <span className="block" data-testid={`along-${id}`}>
      <span className="inline-flex items-center gap-1.5 text-left text-[max(15px,var(--along,0.66em))] leading-[1.3] font-normal">
        <CollarPicture at={seat.at} by={by} height="2.4em" />
        <span>
          {damperWay(seat.at, by)}
          {seat.assumed && <AssumedMark />}
        </span>
      </span>
    </span>
  );
}
