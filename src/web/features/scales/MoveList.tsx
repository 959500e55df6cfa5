import { cornerSpec } from '#core/estimate/corner.ts';
import type { JobDocument } from '#core/document/types.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import type { CornerMove } from '#core/scales/moves.ts';
import { PitchAssumed, SeatMove } from '../job/MoveWords.tsx';
import { Turns } from '../../ui/Figure.tsx';

/** What a plan moves, in the order given. */
export function MoveList({ document, moves }: { document: JobDocument; moves: readonly CornerMove[] }) {
  if (moves.length === 0) return <>nothing</>;
  return (
    <>
      {moves.map(({ id, turns, steps, seatBy, mountMm, mountTurns }, k) => (
        <span key={id}>
          {k > 0 && '; '}
          {cornerNames[id]}{' '}
          {seatBy !== 0 && (
            <>
              <SeatMove
                turns={turns}
                steps={steps}
                fitting={document.corners[id].fitting}
                cam={null}
                air={null}
                id={id}
              />
              <PitchAssumed pitch={cornerSpec(document, id).pitchMm} steps={steps} />
            </>
          )}
          {mountMm !== 0 && (
            <>
              {seatBy !== 0 && ', '}mount <Turns turns={mountTurns} /> {mountMm > 0 ? 'out' : 'in'}
            </>
          )}
        </span>
      ))}
    </>
  );
}
