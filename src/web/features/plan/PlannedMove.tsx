import { FromSecondEdge } from '../job/SecondEdge.tsx';
import { camPosition } from '#core/document/taken.ts';
import { sagToReadFirst } from '#core/planning/sagUnseen.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { isMountAsked, stepOf } from '#core/kinds/adjusters/index.ts';
import { isTurnedNow } from '#core/document/turnedPart.ts';
import { lacksStep } from '#core/document/fitting.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { isMoved, type CornerMove } from '#core/planning/cornerAnswer.ts';
import { seatMoveSum, stopAtSum } from '#words/explain/cornerSums.ts';
import { Effect, InClicks, OtherMoves, PitchAssumed, SeatMove, airMove } from '../job/MoveWords.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { SizeLength } from '../../ui/Figure.tsx';

/** What is to be done at a corner: what for, which way and how far, and where to stop. */
export function Move({
  corner,
  answer,
  size = 'text-figure',
}: {
  corner: CornerMove;
  answer: Answer;
  /** Of what is to be done: the biggest on the plan. */
  size?: 'text-figure' | 'text-head';
}) {
  const { doubt, document } = answer;
  const fitted = document.corners[corner.id];
  const stepless = lacksStep(fitted);
  const checked = doubt.adopted?.code === 'turned-other-way' && doubt.adopted.corners.includes(corner.id);
  const unseen = sagToReadFirst(answer, corner.id);
  if (unseen)
    return (
      <>
        <p className={`${size} font-bold`}>Not read yet</p>
        <p className="text-tight font-semibold">
          {unseen === 'alone' ? 'read its sag with nobody on first' : 'read its sag with the rider on first'}
        </p>
      </>
    );
  if (!isMoved(corner))
    return (
      <>
        <p className={`${size} font-bold`}>
          {stepless ? 'Not planned' : isTurnedNow(document, corner.id) ? 'Leave it' : 'Watch it'}
        </p>
        {stepless && (
          <p className="text-tight font-semibold">
            how far one {stepOf(fitted.fitting)?.one ?? 'step'} moves it is not given yet: Intake
          </p>
        )}
        {corner.collarMm !== null && (
          <p className="text-second">
            the collar reads <SizeLength mm={corner.collarMm} />
          </p>
        )}
      </>
    );
  // Where it goes to a place with a number, that number is what to do.
  const toPlace = corner.seatBy !== 0 && (corner.cam ?? corner.airBar) !== null;
  if (toPlace)
    return (
      <>
        <p className={`text-action ${size} font-bold`}>
          <SeatSum corner={corner} answer={answer} leads />
        </p>
        <p className="text-[18px] leading-6 font-semibold">
          <Effect {...corner} />
        </p>
        {checked && <p className="text-tight font-semibold">check where it stands first</p>}
        <OtherMoves corner={corner} fitting={document.corners[corner.id].fitting} />
      </>
    );
  return (
    <>
      <p className={`text-action ${size} font-bold`}>
        <Effect {...corner} />
      </p>
      {checked && <p className="text-tight font-semibold">check its collar first</p>}
      {isMountAsked(fitted.fitting) && fitted.mount === null && (
        <p className="text-tight font-semibold">by the collar, until the mount’s pitch is given: Intake</p>
      )}
      <SeatLines corner={corner} answer={answer} />
      <OtherMoves corner={corner} fitting={document.corners[corner.id].fitting} />
    </>
  );
}

/** Which way and how far its own adjuster goes, with how that comes about. */
function SeatSum({ corner, answer, leads = false }: { corner: CornerMove; answer: Answer; leads?: boolean }) {
  return (
    <SumFigure name={`Seat move, ${cornerNames[corner.id]}`} sum={() => seatMoveSum(corner, answer)}>
      <SeatMove
        turns={corner.turns}
        steps={corner.steps}
        fitting={answer.document.corners[corner.id].fitting}
        cam={corner.cam && camPosition(answer.document.corners[corner.id].torsion, corner.cam.after)}
        air={airMove(corner.airBar)}
        id={corner.id}
        leads={leads}
      />
    </SumFigure>
  );
}

/** The seat: which way and how far, then where to stop. */
function SeatLines({ corner, answer }: { corner: CornerMove; answer: Answer }) {
  const name = cornerNames[corner.id];
  if (corner.seatBy === 0) return null;
  return (
    <>
      <p className="text-[18px] leading-6 font-semibold">
        <SeatSum corner={corner} answer={answer} />
      </p>
      <p>
        {corner.stopAtMm === null ? (
          <>
            <SizeLength mm={Math.abs(corner.seatBy)} /> of seat
            <InClicks id={corner.id} turns={corner.turns} />
          </>
        ) : (
          <SumFigure name={`Stop at, ${name}`} sum={() => stopAtSum(corner)}>
            stop when the collar reads <SizeLength mm={corner.stopAtMm} />
            <FromSecondEdge id={corner.id} mm={corner.stopAtMm} />
          </SumFigure>
        )}
        <PitchAssumed pitch={corner.spec.pitchMm} steps={corner.steps} />
      </p>
    </>
  );
}
