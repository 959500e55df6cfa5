import type { Answer } from './answerShape.ts';
import { isOffItsGap } from './cornerAnswer.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { hasFollowed, ringsByPlace } from './ringByPlace.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { JobDocument } from '../document/types.ts';
import { isAssembledIn } from '../estimate/fittedIn.ts';
import { type RoundsState } from '../estimate/rounds.ts';

/** mm. A block that just goes in says no more. */
const AT_ITS_GAP_MM = 0.5;

/** A ring that is set by its gap alone: nothing need be known of its springs. */
export interface RingByGap {
  id: CornerId;
  wantedMm: number | null;
  /** As it was read last; null where it never was. */
  nowMm: number | null;
  /** The seat went somewhere else since: what was read is of before that. */
  readAgain: boolean;
  /** mm that the ring goes towards the springs; null while the gap is not known. */
  moveMm: number | null;
}

/** Rings of the corners where a gap is wanted or was read, in the order of measuring. */
export function ringsByGap(document: JobDocument, { rounds }: Pick<RoundsState, 'rounds'>): RingByGap[] {
  return cornersIn(document).flatMap((id): RingByGap[] => {
    const { rings, ringGapMm: wantedMm } = document.corners[id];
    const found = rounds.findLastIndex(({ ringGaps }) => ringGaps[id] !== undefined);
    // A gap of before it was put together anew is of another ring, or of another place.
    const at = rounds.slice(found + 1).some((round) => isAssembledIn(round, id)) ? -1 : found;
    const nowMm = rounds[at]?.ringGaps[id] ?? null;
    if (rings.length > 0 || (wantedMm === null && nowMm === null)) return [];
    const readAgain =
      nowMm !== null &&
      rounds.slice(at + 1).some(({ moves, mounts }) => (moves[id] ?? mounts[id] ?? 0) !== 0);
    const moveMm = nowMm === null || wantedMm === null || readAgain ? null : nowMm - wantedMm;
    return [{ id, wantedMm, nowMm, readAgain, moveMm }];
  });
}

/** Whether a ring stands at the gap that is wanted, as it was read last; where none is wanted it is right as it is. */
export function isAtItsGap({ wantedMm, moveMm }: RingByGap): boolean {
  return wantedMm === null || (moveMm !== null && Math.abs(moveMm) <= AT_ITS_GAP_MM);
}

/** Corners whose ring is still to be brought to its gap, or along with its seat, of those whose springs are not known. */
export function ringsToSet(
  document: JobDocument,
  state: Pick<RoundsState, 'rounds' | 'turning'>,
): CornerId[] {
  const byGap = ringsByGap(document, state).filter((ring) => !isAtItsGap(ring));
  // Where a gap is wanted, that is what counts in the end.
  const left = ringsByPlace(document, state).filter(
    (ring) => document.corners[ring.id].ringGapMm === null && !hasFollowed(ring),
  );
  const off = new Set([...byGap, ...left].map(({ id }) => id));
  return cornersIn(document).filter((id) => off.has(id));
}

/** Corners with a ring that is not at its gap, whether its springs are known or not. */
export function offTheirGap({ corners, document, state }: Answer): CornerId[] {
  const known = corners.filter(({ rings }) => rings.some(isOffItsGap)).map(({ id }) => id);
  return [...known, ...ringsToSet(document, state)];
}
