import { cornerSpec } from '../estimate/corner.ts';
import { isAssembledIn } from '../estimate/fittedIn.ts';
import { type Round, type RoundsState } from '../estimate/rounds.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { JobDocument } from '../document/types.ts';

/** mm. A caliper on a ring says no more. */
const THERE_MM = 0.5;

/** A ring of which somebody has said where it stands, from the edge that its collar is read from. */
export interface RingByPlace {
  id: CornerId;
  /** The first ring of its damper, or the second. */
  ring: 0 | 1;
  /** As it was read or set last. */
  atMm: number;
  /** mm that its seat has gone since, or is told to go now, towards the spring. */
  seatBy: number;
  /** Where it stands once it has gone along with its seat. */
  toMm: number;
}

/**
 * Rings that go along with their seats: moved by the same amount, the springs change over at the same load as before. In the
 * order of measuring; those put together anew and not read since are left out.
 */
export function ringsByPlace(
  document: JobDocument,
  { rounds, turning }: Pick<RoundsState, 'rounds' | 'turning'>,
): RingByPlace[] {
  return cornersIn(document).flatMap((id) => {
    if (document.corners[id].rings.length > 0) return [];
    return ([0, 1] as const).flatMap((ring): RingByPlace[] => {
      const readIn = ({ ringReads }: Round) =>
        ringReads.findLast((one) => one.corner === id && one.ring === ring && one.by === 'edge');
      const found = rounds.findLastIndex((round) => readIn(round) !== undefined);
      const read = rounds[found] && readIn(rounds[found]);
      const after = rounds.slice(found + 1);
      if (!read || after.some((round) => isAssembledIn(round, id))) return [];
      const moved = after.reduce((sum, { moves }) => sum + (moves[id] ?? 0), 0);
      const seatBy = moved + (turning?.told.corners[id]?.seatMm ?? 0);
      const toMm = read.mm + cornerSpec(document, id).readingSign * seatBy;
      return [{ id, ring, atMm: read.mm, seatBy, toMm }];
    });
  });
}

/** Whether a ring has gone along with its seat. */
export function hasFollowed({ atMm, toMm }: RingByPlace): boolean {
  return Math.abs(toMm - atMm) <= THERE_MM;
}
