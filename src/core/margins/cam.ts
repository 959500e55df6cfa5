import { camDegrees, camPosition } from '../document/taken.ts';
import { part } from '../calculation/part.ts';
import type { TorsionDocument } from '../document/types.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import type { Left, StandingMargin } from './margin.ts';

/** Positions left above the one chosen: past its middle one in the garage, a cam has little left for a load. */
export const cam: StandingMargin = {
  byLoad: false,
  tight: 0.5,
  left: ({ answer, corner }) => {
    const { torsion } = answer.document.corners[corner.id];
    return torsion && corner.cam ? camLeft(torsion, corner) : [];
  },
};

function camLeft(torsion: TorsionDocument, { cam, room, seatBy }: CornerAnswer): Left[] {
  const positions = camDegrees(torsion).length;
  const left = positions - 1 - (cam?.after ?? 0);
  return [
    {
      which: {
        by: 'positions',
        left: camPosition(torsion, left) - 1,
        all: camPosition(torsion, positions - 1),
      },
      leftMm: room.up - seatBy,
      rangeMm: Math.max(room.up - room.down, 1),
      sdMm: 0,
      assumed: false,
      inputs: () => [
        part('n', positions, 'count', 'sheet'),
        part('k', (cam?.after ?? 0) + 1, 'count', 'computed'),
        part('left', room.up - seatBy, 'length', 'computed'),
      ],
    },
  ];
}
