import type { RoundsState } from '../job/rounds.ts';
import { cornerSpec, toleranceOf } from '../job/corner.ts';
import type { JobDocument } from '../job/types.ts';
import { cornersIn, footingOf, type CornerId } from '../machine/body.ts';
import { meanOf } from '../numerics/mean.ts';

/** One corner that stands off while the other three are where they are wanted. */
export interface OneCorner {
  corner: CornerId;
  /** mm off its target, negative low. */
  offMm: number;
}

/**
 * The single corner of four that is out of tolerance at the first readings. Four wheels under a rigid body do not come to
 * stand like that by their seats: before anything is turned somebody should ask why. Null where more than one is off, where
 * weight is asked for, or once anything was turned.
 */
export function oneCornerOff(document: JobDocument, { rounds, current }: RoundsState): OneCorner | null {
  const { machine, crossTarget, frontEqual } = document;
  if (current > 0 || footingOf(machine.class) !== 'wheels' || crossTarget !== null || frontEqual) return null;
  const ids = cornersIn(document);
  const offs = ids.flatMap((corner): OneCorner[] => {
    const { targetMm, offsetMm } = cornerSpec(document, corner);
    const read = rounds[0]?.heights[corner];
    return read && targetMm !== null ? [{ corner, offMm: meanOf(read) + offsetMm - targetMm }] : [];
  });
  const out = offs.filter(({ offMm }) => Math.abs(offMm) > toleranceOf(document).value);
  const [only] = out;
  return offs.length === ids.length && out.length === 1 && only ? only : null;
}
