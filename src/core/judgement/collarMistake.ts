import { sagWish } from '../document/sagWish.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { CornerId } from '../kinds/corners.ts';

/** Height taken with the spring's collar where a lower mount should have set it. */
export interface CollarMistake {
  corner: CornerId;
  /** mm that the collar was moved in the rounds so far, up positive. */
  movedMm: number;
  /** Preload at full droop now, mm, and wheel travel left in droop. */
  preloadMm: number;
  droopMm: number;
  travelMm: number;
  /** mm that the mount would have had to be screwed out for the same height. */
  mountMm: number;
  /** Why it is taken for one. */
  by: 'moved' | 'little-droop' | 'loose';
}

/** Less droop than this share of the travel, with preload to spare, is a collar used for height. */
const LITTLE_DROOP = 0.2;
/** mm of collar, and of preload, below which nobody means height by it. */
const MEANT_MM = 3;

/**
 * The common mistake on dampers with a threaded lower mount, told from the numbers. The collar moves height by c / MR and takes
 * it out of droop: raised, the damper tops out early; lowered, the spring comes loose. The mount moves the whole corner and leaves
 * preload and travel alone. Null where a corner has no mount, or its collar is wanted for sag.
 */
export function collarMistake(answer: Answer, id: CornerId): CollarMistake | null {
  const { document, machine, now, predictAt, state } = answer;
  const { mount } = document.corners[id];
  if (!mount || sagWish(document, id) !== null || machine.sources[id].springs === 'assumed') return null;
  const i = machine.corners.indexOf(id);
  const { solver } = predictAt(now).outcome;
  const corner = solver.corners[i];
  if (!corner) return null;
  const movedMm = state.rounds.reduce((sum, { moves }) => sum + (moves[id] ?? 0), 0);
  const droopMm = solver.z[i] ?? 0;
  const { preloadMm } = corner;
  const { travelMm } = corner.description;
  const by =
    Math.abs(movedMm) >= MEANT_MM
      ? 'moved'
      : preloadMm < 0
        ? 'loose'
        : droopMm < LITTLE_DROOP * travelMm &&
            preloadMm > MEANT_MM &&
            machine.sources[id].preload !== 'assumed'
          ? 'little-droop'
          : null;
  if (by === null) return null;
  // Screwed out by h MR the mount lifts the corner by h; the collar lifted it by c / MR.
  return { corner: id, movedMm, preloadMm, droopMm, travelMm, mountMm: movedMm, by };
}
