import { cornerNames } from '#core/machine/body.ts';
import type { Answer } from '#core/plan/answer.ts';
import type { CornerAnswer } from '#core/plan/cornerAnswer.ts';
import { seatMoveSum, stopAtSum } from '#core/sums/cornerSums.ts';
import { OtherMoves, SeatMove } from '../../features/job/MoveWords.tsx';
import { SumFigure } from '../../features/sums/SumFigure.tsx';
import { Length } from '../../ui/Figure.tsx';

/** What is to be turned at a corner, and where to stop. */
export function Move({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const { targetMm } = corner.spec;
  if (targetMm === null && answer.document.corners[corner.id].sagMm === null)
    return <p className="text-second font-semibold">no target</p>;
  return (
    <>
      <SeatLines corner={corner} answer={answer} />
      <OtherMoves corner={corner} fitting={answer.document.corners[corner.id].fitting} />
    </>
  );
}

/** The seat, cam or pressure: what to do, then where to stop. */
function SeatLines({ corner, answer }: { corner: CornerAnswer; answer: Answer }) {
  const name = cornerNames[corner.id];
  if (corner.seatMm === 0)
    return (
      <>
        <p className="text-second text-head font-semibold">leave{corner.mountMm !== 0 && ' the seat'}</p>
        {corner.collarMm !== null && (
          <p>
            reads <Length mm={corner.collarMm} />
          </p>
        )}
      </>
    );
  return (
    <>
      <p className="text-action text-head font-semibold">
        <SumFigure name={`Seat move, ${name}`} sum={() => seatMoveSum(corner, answer)}>
          <SeatMove
            turns={corner.turns}
            steps={corner.steps}
            fitting={answer.document.corners[corner.id].fitting}
            cam={corner.cam?.after ?? null}
            airBar={corner.airBar?.after ?? null}
          />
        </SumFigure>
      </p>
      <p className="font-medium">
        {corner.cam || corner.airBar ? null : corner.stopAtMm === null ? (
          <>
            <Length mm={Math.abs(corner.seatMm)} /> of seat
          </>
        ) : (
          <SumFigure name={`Stop at, ${name}`} sum={() => stopAtSum(corner)}>
            stop at <Length mm={corner.stopAtMm} />
          </SumFigure>
        )}
      </p>
      {corner.stopAtMm !== null && (
        <p className="label text-second">
          <Length mm={Math.abs(corner.seatMm)} /> of seat
        </p>
      )}
    </>
  );
}
