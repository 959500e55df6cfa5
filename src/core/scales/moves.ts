import type { Answer } from '../planning/answerShape.ts';
import type { CornerId } from '../kinds/corners.ts';
import { isMoved } from '../planning/cornerAnswer.ts';

/** What a plan moves at one corner. */
export interface CornerMove {
  id: CornerId;
  seatBy: number;
  turns: number;
  /** The same in notches or grooves; null where it is turned. */
  steps: number | null;
  mountMm: number;
  mountTurns: number;
}

/** mm of seat and mount together. */
export function moveSize({ seatBy, mountMm }: Pick<CornerMove, 'seatBy' | 'mountMm'>): number {
  return Math.abs(seatBy) + Math.abs(mountMm);
}

/** All moves of a plan, the smallest first. */
export function movesOf({ corners }: Answer): CornerMove[] {
  return corners
    .filter(isMoved)
    .map(({ id, seatBy, turns, steps, mountMm, mount }) => ({
      id,
      seatBy,
      turns,
      steps,
      mountMm,
      mountTurns: mount?.turns ?? 0,
    }))
    .sort((a, b) => moveSize(a) - moveSize(b));
}
